-- The request of a sample as it went over the wire, its secrets hidden; nothing where it is not known.
alter table sample add column sent_method varchar;
alter table sample add column sent_address varchar;
alter table sample add column sent_headers jsonb;
alter table sample add column sent_body bytea;
