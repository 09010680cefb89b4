-- What changes is told to who listens: the thing, and nothing of it. Told twice in one transaction it is told once.

create function tell_batch_part() returns trigger language plpgsql as $$
begin
  perform pg_notify('even_crumb', 'batch:' || coalesce(new.batch_id, old.batch_id));
  return null;
end $$;

create function tell_batch() returns trigger language plpgsql as $$
begin
  perform pg_notify('even_crumb', 'batch:' || coalesce(new.id, old.id));
  perform pg_notify('even_crumb', 'batches');
  return null;
end $$;

create function tell_things() returns trigger language plpgsql as $$
begin
  perform pg_notify('even_crumb', tg_argv[0]);
  return null;
end $$;

create trigger told after insert or update or delete on batch_taps for each row execute function tell_batch_part();
create trigger told after insert or update or delete on batch_entries for each row execute function tell_batch_part();
create trigger told after insert or update or delete on batch_ticks for each row execute function tell_batch_part();
create trigger told after insert or update or delete on batch_weights for each row execute function tell_batch_part();
create trigger told after insert or update or delete on batches for each row execute function tell_batch();

create trigger told after insert or update or delete on formula_versions for each statement execute function tell_things('formulas');
create trigger told after update or delete on formulas for each statement execute function tell_things('formulas');
create trigger told after insert or update or delete on targets for each statement execute function tell_things('formulas');
create trigger told after insert or update or delete on photos for each statement execute function tell_things('photos');
create trigger told after insert or update or delete on plans for each statement execute function tell_things('plans');
create trigger told after insert or update or delete on stock for each statement execute function tell_things('pantry');
create trigger told after insert or update or delete on stock_counts for each statement execute function tell_things('pantry');
create trigger told after insert or update or delete on own_ingredients for each statement execute function tell_things('pantry');
create trigger told after insert or update or delete on own_measures for each statement execute function tell_things('pantry');
create trigger told after insert or update or delete on sides for each statement execute function tell_things('sides');
create trigger told after insert or update or delete on premixes for each statement execute function tell_things('premix');
create trigger told after insert or update or delete on lots for each statement execute function tell_things('premix');
create trigger told after insert or update or delete on lot_uses for each statement execute function tell_things('premix');
create trigger told after insert or update or delete on kept_lots for each statement execute function tell_things('kept');
create trigger told after insert or update or delete on kept_uses for each statement execute function tell_things('kept');
create trigger told after insert or update or delete on care_notes for each statement execute function tell_things('house');
create trigger told after insert or update on kitchen for each row when (new.key = 'house') execute function tell_things('house');
