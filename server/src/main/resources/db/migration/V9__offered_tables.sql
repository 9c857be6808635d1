-- Tables that are offered as services; their rows stand in tables of their own, in the schema "offered".
create table offered (
  id varchar primary key,
  offer jsonb not null,
  -- where the rows of each table stand now
  places jsonb not null,
  keyed boolean not null,
  paused boolean not null default false,
  per_minute int not null,
  made_at timestamp with time zone not null
);

-- Whoever may ask where a key is wanted; only the key's hash is kept.
create table offered_client (
  id varchar primary key,
  offered_id varchar not null references offered on delete cascade,
  name varchar not null,
  key_hash varchar not null unique,
  made_at timestamp with time zone not null
);

create table offered_request (
  id bigint generated always as identity primary key,
  offered_id varchar not null references offered on delete cascade,
  at timestamp with time zone not null,
  client varchar,
  operation varchar not null,
  status int not null,
  took_millis bigint not null
);
create index offered_request_newest on offered_request (offered_id, id desc);
