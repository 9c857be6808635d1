-- A revision says what was done, by whom; ids are never given twice, whatever is undone.
alter table revision add column edit json;
alter table revision add column author varchar not null default '';
alter table app add column issued bigint not null default 0;

-- A service is read again and again; each reading is an edition that stays as it is.
create table service_edition (
  service_id varchar not null references service on delete cascade,
  edition_id varchar not null references edition on delete cascade,
  taken_at timestamp with time zone not null,
  primary key (service_id, edition_id)
);
insert into service_edition (service_id, edition_id, taken_at) select id, edition_id, taken_at from service;

alter table edition drop column source;
alter table edition drop column read_at;

-- One use of a page by one person. What calls answered is kept as it was read.
create table run (
  id varchar primary key,
  app_id varchar not null references app on delete cascade,
  page_id varchar not null,
  builder boolean not null,
  state json not null,
  touched_at timestamp with time zone not null
);
create index run_by_time on run (touched_at);

create index sample_by_time on sample (recorded_at);
