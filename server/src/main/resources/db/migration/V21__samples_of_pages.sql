-- The sample that a call of a page is shown with on the bench; where there is none it is what was answered last.
create table shown_sample (
  app_id varchar not null references app on delete cascade,
  page varchar not null,
  call varchar not null,
  sample varchar not null,
  primary key (app_id, page, call)
);
