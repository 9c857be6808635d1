-- The password of the workspace, if it has one, and who signed in with it.
create table workspace_password (
  only_one boolean primary key default true check (only_one),
  hash varchar not null
);

create table signed_in (
  -- The SHA-256 of what the browser keeps, so that nobody who reads the database can sign in with it.
  token varchar primary key,
  expires timestamp with time zone not null
);
