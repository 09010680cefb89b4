-- What people of the kitchen tried at the practice griddle and the drills, and how it went. Nobody: nobody was named.
create table practice_tries (
  id        uuid primary key,
  -- "lesson:first-cake", "drill:grams"
  what      text not null check (length(what) between 1 and 60),
  passed    boolean not null,
  -- 0 to 1
  worth     double precision not null check (worth between 0 and 1),
  -- the largest thing that was wrong, in words; empty: nothing
  was       text not null default '' check (length(was) <= 200),
  by_person uuid references people (id),
  by_device uuid,
  at        timestamptz not null default now()
);
create index practice_tries_by_person on practice_tries (by_person, at);
create trigger signed before insert on practice_tries for each row execute function sign_row();
create trigger told after insert or delete on practice_tries for each statement execute function tell_things('house');
