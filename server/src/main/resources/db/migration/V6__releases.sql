-- A release is a revision that visitors see; it stays as it is while the draft goes on.
create table release (
  app_id varchar not null references app on delete cascade,
  number bigint not null,
  revision bigint not null,
  note varchar not null,
  author varchar not null,
  made_at timestamp with time zone not null,
  primary key (app_id, number),
  foreign key (app_id, revision) references revision (app_id, number)
);

-- The release that visitors see now; nothing as long as there is none.
alter table app add column released bigint;

-- Whoever has opened a page goes on with the release it was opened from; nothing is the draft.
alter table run add column release bigint;

-- Until now visitors saw every app as it was edited last.
insert into release (app_id, number, revision, note, author, made_at)
  select id, 1, head, '', '', now() from app;
update app set released = 1;

-- The start page of all apps, each arrangement under a number of its own.
create table folio (
  version bigint primary key,
  content jsonb not null,
  made_at timestamp with time zone not null
);
