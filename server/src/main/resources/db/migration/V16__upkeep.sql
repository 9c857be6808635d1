-- A document is kept once, however many editions have it.
create table document_content (
  hash varchar primary key,
  content bytea not null
);
alter table document add column hash varchar;
-- What no service took goes after a while.
alter table edition add column read_at timestamp with time zone not null default current_timestamp;

-- [jooq ignore start]
-- Documents and messages are texts mostly; this packs them many times quicker than the default.
alter table document_content alter column content set compression lz4;
alter table exchange alter column request_body set compression lz4;
alter table exchange alter column response_body set compression lz4;

update document set hash = encode(sha256(content), 'hex');
insert into document_content (hash, content)
  select distinct on (hash) hash, content from document order by hash;
-- [jooq ignore stop]

alter table document drop column content;
alter table document alter column hash set not null;
alter table document add constraint document_has_content foreign key (hash) references document_content (hash);
create index document_by_hash on document (hash);
