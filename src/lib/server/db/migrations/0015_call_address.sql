-- Where a call is published.
ALTER TABLE call ADD COLUMN web_address TEXT NOT NULL DEFAULT '';
