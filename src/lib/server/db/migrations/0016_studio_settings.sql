-- What the studio usually does, by name.
CREATE TABLE studio_setting (
  name TEXT PRIMARY KEY,
  value_json TEXT NOT NULL
) STRICT;
