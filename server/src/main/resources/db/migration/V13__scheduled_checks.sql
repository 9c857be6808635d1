-- Checks that run by themselves, and what came of each run.
alter table sample add column every_minutes int;
-- Beside the code of a failure that is kept as a sample: what it said.
alter table sample add column failure_reason varchar;

create table check_run (
  id bigint generated always as identity primary key,
  service_id varchar not null,
  operation varchar not null,
  name varchar not null,
  at timestamp with time zone not null,
  holds boolean not null,
  took_ms bigint not null,
  foreign key (service_id, operation, name) references sample on delete cascade
);

create index check_run_newest on check_run (service_id, operation, name, id);
