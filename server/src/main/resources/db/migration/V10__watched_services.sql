-- Services whose descriptions are read again now and then, and what came of it last.
create table watched (
  service_id varchar primary key references service on delete cascade,
  every_minutes int not null,
  read_at timestamp with time zone,
  edition varchar,
  problem varchar
);
