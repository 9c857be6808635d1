-- Services are read in editions: documents as they were given, never changed afterwards.
create table service (
  id varchar primary key,
  name varchar not null,
  source varchar not null,
  edition_id varchar not null,
  endpoint varchar not null,
  taken_at timestamp with time zone not null
);

-- The operations that were taken in, out of all that the description offers.
create table taken_operation (
  service_id varchar not null references service on delete cascade,
  position integer not null,
  operation varchar not null,
  primary key (service_id, operation)
);

-- The id is the hash of all documents.
create table edition (
  id varchar primary key,
  source varchar not null,
  read_at timestamp with time zone not null
);

create table document (
  edition_id varchar not null references edition on delete cascade,
  position integer not null,
  address varchar not null,
  content bytea not null,
  primary key (edition_id, position)
);

create table exchange (
  id varchar primary key,
  service_id varchar not null,
  operation varchar not null,
  started_at timestamp with time zone not null,
  took_ms bigint not null,
  method varchar not null,
  address varchar not null,
  request_headers jsonb not null,
  request_body bytea not null,
  status integer,
  response_headers jsonb not null,
  response_body bytea not null,
  response_bytes bigint not null,
  failure jsonb
);

create index exchange_by_operation on exchange (service_id, operation, started_at);

-- Named sets of parameter values; the one named '' holds what was sent last.
create table sample (
  service_id varchar not null references service on delete cascade,
  operation varchar not null,
  name varchar not null,
  parameters jsonb not null,
  answer jsonb,
  exchange_id varchar,
  recorded_at timestamp with time zone not null,
  primary key (service_id, operation, name)
);

-- version counts every change, undo and redo included; head is the revision in force.
create table app (
  id varchar primary key,
  version bigint not null,
  head bigint not null,
  created_at timestamp with time zone not null
);

create table revision (
  app_id varchar not null references app on delete cascade,
  number bigint not null,
  parent bigint,
  title varchar not null,
  content jsonb not null,
  made_at timestamp with time zone not null,
  primary key (app_id, number)
);

create table setting (
  name varchar primary key,
  content varchar not null
);
