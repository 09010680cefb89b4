-- Plans that are kept for later: nothing is begun and nothing leaves the shelf until they are started.
create table plans (
  id uuid primary key default gen_random_uuid(),
  version_id uuid not null references formula_versions (id) on delete cascade,
  -- the day and time it is served; null: not said yet
  serve_at timestamptz,
  -- what is asked to start it, as contract/batch.ts has it, and how it stands in its boxes
  asked jsonb not null,
  typed jsonb not null,
  revision integer not null default 1,
  kept_at timestamptz not null default now(),
  -- the batch that it became; null: it still waits
  batch_id uuid references batches (id) on delete set null
);
create index plans_waiting on plans (serve_at) where batch_id is null;
