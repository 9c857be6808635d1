-- Words that mean the same in this workspace, as the pairs that people accepted tell.
create table learned_word (
  -- The two in alphabetical order.
  one varchar not null,
  other varchar not null,
  primary key (one, other)
);
