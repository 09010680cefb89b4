-- How a batch is made, as house and formula had it when it was begun: the ways, what is done otherwise act by act, and what of it the card tells.
-- null: a batch of before, which reads its version's ways and the house's as they are.
alter table batches add column making jsonb;

-- The ways a version has of its own stand among what it does otherwise: `ways: { rest: "hour" }` becomes `edits: [{ do: "way", act: "rest", value: "hour" }]`.
update formula_versions
   set settings = (settings - 'ways') || jsonb_build_object('edits',
         coalesce((select jsonb_agg(jsonb_build_object('do', 'way', 'act', w.key, 'value', w.value) order by w.key) from jsonb_each(settings->'ways') w), '[]')
         || coalesce(settings->'edits', '[]'))
 where jsonb_typeof(settings->'ways') = 'object';
