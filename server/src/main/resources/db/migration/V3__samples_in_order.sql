-- What only an answer tells of stands in the order in which it came; jsonb would sort it.
alter table sample alter column parameters type json;
alter table sample alter column answer type json;
