-- A piece that was looked at and is not ready, and one that was moved to another place, are taps too.
alter table batch_taps drop constraint batch_taps_act_check;
alter table batch_taps add constraint batch_taps_act_check check (act in ('pour', 'flip', 'pull', 'join', 'wait', 'move'));
