-- The server that kept credentials were used for first; they are for no other one.
alter table service_access add column origin varchar;
