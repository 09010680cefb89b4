-- Photographs of what came out, and of what is wanted. What is taken away is kept a day for the way back.
create table photos (
  id         uuid primary key default gen_random_uuid(),
  request_id uuid unique,
  batch_id   uuid references batches (id) on delete cascade,
  -- of what is wanted, where it is a formula's
  formula_id uuid references formulas (id) on delete cascade,
  shows      text not null check (shows in ('face', 'cut', 'bowl', 'other')),
  -- of the copy that is looked at
  width      integer not null check (width > 0),
  height     integer not null check (height > 0),
  at         timestamptz not null default now(),
  undone_at  timestamptz,
  check (num_nonnulls(batch_id, formula_id) = 1)
);
create index photos_of_batch on photos (batch_id, at);
create index photos_of_formula on photos (formula_id, at);
create table photo_files (
  photo_id uuid not null references photos (id) on delete cascade,
  size     text not null check (size in ('small', 'large', 'original')),
  bytes    bytea not null,
  primary key (photo_id, size)
);
