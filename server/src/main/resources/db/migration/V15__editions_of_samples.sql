-- The edition that a sample was taken with; nothing where that was not said, and it is read as it is.
alter table sample add column edition varchar;
