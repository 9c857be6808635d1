-- Samples have names, come from somewhere, and may be pinned as checks with what came of them last.
alter table sample add column failure varchar;
alter table sample add column origin varchar not null default 'RECORDED';
alter table sample add column pinned jsonb;
alter table sample add column verdict jsonb;

-- Services that are answered for from samples; nothing goes out to them.
create table replayed (
  service_id varchar primary key references service on delete cascade
);
