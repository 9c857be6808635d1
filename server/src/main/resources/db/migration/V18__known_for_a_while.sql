-- What was learned of services and holds for a while: tokens that they gave, and that they refused something.
CREATE TABLE known_for_a_while (
    -- What is known, as a keyed hash: it is made of secrets.
    key CHAR(64) PRIMARY KEY,
    -- Encrypted.
    content BYTEA NOT NULL,
    until TIMESTAMPTZ NOT NULL
);
