-- Exchanges say whose they are: of a page of an app, and of a visitor or of those who build.
ALTER TABLE exchange ADD COLUMN app TEXT;
ALTER TABLE exchange ADD COLUMN page TEXT;
ALTER TABLE exchange ADD COLUMN visitor BOOLEAN NOT NULL DEFAULT FALSE;
