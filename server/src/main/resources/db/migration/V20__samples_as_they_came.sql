-- The answer of a sample as it came over the wire, whole, so that other editions can read it their own way;
-- nothing where it was made or changed by hand.
alter table sample add column came_status integer;
alter table sample add column came_type varchar;
alter table sample add column came_body bytea;
