-- Which runs of four bytes stand in the messages of an exchange, so that looking for a text needs to go through few
-- of them; nothing where it is not known.
alter table exchange add column sieve bytea;

-- [jooq ignore start]
-- Beside the row, not apart from it as long values are: it is read from all rows, one after the other.
alter table exchange alter column sieve set storage main;
-- [jooq ignore stop]
