-- A morning that is over: what was made, served, kept and thrown away by dish, and what is to be otherwise next time.
alter table mornings add column closed_at timestamptz, add column closing jsonb;
