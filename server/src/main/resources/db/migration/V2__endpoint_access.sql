-- How endpoints are reached: credentials and the like, encrypted with a key that is not in the database.
create table endpoint_access (
  service_id varchar not null references service on delete cascade,
  endpoint varchar not null,
  content bytea not null,
  primary key (service_id, endpoint)
);
