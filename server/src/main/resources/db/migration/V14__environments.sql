-- Where else a service is than its description says, under names like test and live.
create table environment (
  service_id varchar not null references service on delete cascade,
  name varchar not null,
  addresses jsonb not null,
  primary key (service_id, name)
);

-- The environment that builders call; nothing is the addresses of the description.
alter table service add column environment varchar not null default '';

-- Each environment is reached in its own way; nothing is the addresses of the description.
create table service_access (
  service_id varchar not null references service on delete cascade,
  endpoint varchar not null,
  environment varchar not null,
  content bytea not null,
  primary key (service_id, endpoint, environment)
);
insert into service_access (service_id, endpoint, environment, content)
  select service_id, endpoint, '', content from endpoint_access;
drop table endpoint_access;

-- The environment of each service that a release calls; a service that is not named is called as described.
alter table release add column environments jsonb not null default '{}';
