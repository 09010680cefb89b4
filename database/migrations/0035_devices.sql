-- Who may come in from the kitchen's network. Beside the records, not among them: neither an export nor another
-- kitchen's records carry a way in; where records of elsewhere are read they stay as they are. Of a device and of a
-- pairing code only the hash is kept.
create schema if not exists gate;
create table if not exists gate.devices (
  id uuid primary key,
  name text not null check (char_length(name) between 1 and 40),
  place text not null default '' check (char_length(place) <= 40),
  token_hash bytea not null unique check (octet_length(token_hash) = 32),
  paired_at timestamptz not null default now(),
  seen_at timestamptz,
  revoked_at timestamptz
);
create table if not exists gate.pairings (
  id uuid primary key,
  code_hash bytea not null check (octet_length(code_hash) = 32),
  expires_at timestamptz not null,
  wrong integer not null default 0,
  closed_at timestamptz
);
