-- What was done to each piece on the heat, tap by tap, and when a bowl was joined (its number stands for the piece). The id
-- is the browser's, so that a tap sent twice is one.
create table batch_taps (
  id        uuid primary key,
  batch_id  uuid not null references batches (id),
  piece     integer not null check (piece > 0),
  act       text not null check (act in ('pour', 'flip', 'pull', 'join')),
  surface   text not null,
  slot      integer not null check (slot >= 0),
  at        timestamptz not null,
  unique (batch_id, piece, act)
);
create index batch_taps_by_batch on batch_taps (batch_id, at);
