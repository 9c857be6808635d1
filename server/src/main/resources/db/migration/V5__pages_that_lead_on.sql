-- A page that was opened from another one leads back to it.
alter table run add column previous varchar references run on delete set null;
