-- A trial: two to four ways of one formula that differ in one thing, each made in a bowl of its own and tasted blind. What
-- was tasted is added and never changed; a taster's last word counts. Opened, the letters are told and nobody tastes on.
create table trials (
  id         uuid primary key,
  version_id uuid not null references formula_versions,
  formula_id uuid not null references formulas,
  plan       jsonb not null,
  created_at timestamptz not null default now(),
  opened_at  timestamptz,
  dropped_at timestamptz
);
create index trials_by_formula on trials (formula_id, created_at desc);
create index trials_by_version on trials (version_id);
create table trial_ballots (
  id        uuid primary key,
  trial_id  uuid not null references trials on delete cascade,
  taster    text not null check (char_length(taster) between 1 and 40),
  person_id uuid,
  tasted    text[] not null,
  picked    text[] not null,
  at        timestamptz not null default now(),
  seq       bigint generated always as identity
);
create index trial_ballots_of on trial_ballots (trial_id, seq);
create trigger told after insert or update on trials for each statement execute function tell_things('trials');
create trigger told after insert on trial_ballots for each statement execute function tell_things('trials');

-- A batch that is one bowl of a trial, and the formula as that bowl has it.
alter table batches add column trial_id uuid references trials on delete set null, add column bowl text, add column tried jsonb;
create index batches_by_trial on batches (trial_id) where trial_id is not null;
-- A bowl of a trial says nothing of how the formula as it is written came out.
create or replace function formula_made() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and new.verdict is not distinct from old.verdict and new.finished_at is not distinct from old.finished_at then return new; end if;
  update formulas f set
    used_at = greatest(f.used_at, new.started_at),
    last_verdict = (select b.verdict from batches b where b.formula_id = f.id and b.finished_at is not null and b.verdict is not null and b.trial_id is null order by b.finished_at desc limit 1),
    best_batch_id = (select b.id from batches b where b.formula_id = f.id and b.verdict is not null and b.trial_id is null order by verdict_rank(b.verdict), b.finished_at desc limit 1)
   where f.id = new.formula_id;
  return new;
end $$;
