'use client';
import { Redo2, Undo2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { toast } from 'sonner';
import { analyse } from '@/core/analyse';
import { type Formula, formulaLines, MOST_NAME_CHARS } from '@/core/formula/formula';
import { KINDS, type KindId, kindById, schoolOf } from '@/core/formula/kinds';
import { CONVENTION_NAMES, type Conventions } from '@/core/pantry/conventions';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { Balance } from './balance';
import { type Draft, keepDraft, readDraft } from './draft';
import { PasteCard, Sheet } from './sheet';
import { benchReducer, startBench } from './state';

export interface SaveInput {
  readonly formulaId: string | null;
  readonly basedOn: number | null;
  readonly knownNewest: number | null;
  readonly formula: Formula;
  readonly changeNote: string;
}

export type SaveAnswer =
  | {
      readonly ok: true;
      readonly saved: {
        readonly formulaId: string;
        readonly number: number;
        readonly passedBy: { readonly number: number } | null;
        readonly passedByAt: string | null;
      };
    }
  | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string>> };

export interface VersionLink {
  readonly number: number;
  readonly label: string;
}

interface Props {
  readonly formulaId: string | null;
  readonly formula: Formula;
  readonly number: number | null;
  readonly newest: number | null;
  readonly versions: readonly VersionLink[];
  readonly save: (input: SaveInput) => Promise<SaveAnswer>;
}

interface Passed {
  readonly mine: number;
  readonly theirs: number;
}

/** A box with words of its own takes them back itself; an empty one leaves Ctrl+Z to the bench. */
const undoesItself = (t: EventTarget | null): boolean =>
  (t instanceof HTMLInputElement || t instanceof HTMLTextAreaElement) && t.value !== '' && t.closest('[data-own-undo]') !== null;

const same = (a: Formula, b: Formula): boolean => JSON.stringify(a) === JSON.stringify(b);

const options = <T extends string>(names: Readonly<Record<T, string>>): readonly { readonly value: T; readonly label: string }[] =>
  (Object.entries(names) as [T, string][]).map(([value, label]) => ({ value, label }));

/** The Bench: one formula, its sheet and its balance. */
export function Bench({ formulaId: openedId, formula: loaded, number, newest, versions, save }: Props) {
  const router = useRouter();
  const [state, send] = useReducer(benchReducer, loaded, startBench);
  const { formula } = state;
  // a new formula has its id from the first save on, before the address has it
  const [formulaId, setFormulaId] = useState(openedId);
  const [savedFormula, setSavedFormula] = useState(loaded);
  const [base, setBase] = useState({ basedOn: number, knownNewest: newest });
  const [note, setNote] = useState('');
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [passed, setPassed] = useState<Passed | null>(null);
  const [brought, setBrought] = useState<string | null>(null);
  const [pasting, setPasting] = useState(formulaId === null);
  const [saving, setSaving] = useState(false);
  const ready = useRef(false);

  const lines = useMemo(() => formulaLines(formula), [formula]);
  const analysis = useMemo(() => analyse(lines, formula.kind, formula.school), [lines, formula.kind, formula.school]);
  const savedAnalysis = useMemo(
    () => (formulaId ? analyse(formulaLines(savedFormula), formula.kind, formula.school) : null),
    [formulaId, savedFormula, formula.kind, formula.school],
  );
  const dirty = !same(formula, savedFormula);

  // unsaved work comes back after a reload; once, so that a refresh after a save disturbs nobody who types on
  useEffect(() => {
    if (ready.current) return;
    ready.current = true;
    const draft = readDraft(formulaId, number, newest);
    if (draft && !same(draft.formula, loaded)) {
      send({ do: 'load', formula: draft.formula });
      setBase({ basedOn: draft.basedOn, knownNewest: draft.knownNewest });
      setBrought(new Date(draft.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }));
      if (draft.formula.entries.length > 0) setPasting(false);
    }
  }, [formulaId, loaded, number, newest]);
  useEffect(() => {
    if (!ready.current) return;
    const draft: Draft = { formula, ...base, at: new Date().toISOString() };
    keepDraft(formulaId, base.basedOn, dirty ? draft : null);
  }, [formula, base, dirty, formulaId]);

  const doSave = useCallback(async () => {
    if (saving) return;
    setSaving(true);
    setRefusal(null);
    setErrors({});
    let answer: SaveAnswer;
    try {
      answer = await save({ formulaId, ...base, formula, changeNote: note });
    } catch {
      answer = { ok: false, message: 'Even Crumb does not answer just now. What you typed is kept in this browser: save again in a moment.', fields: {} };
    }
    setSaving(false);
    if (!answer.ok) {
      setErrors(answer.fields);
      setRefusal(answer.fields['formula.name'] ? null : answer.message);
      return;
    }
    const { saved } = answer;
    keepDraft(formulaId, base.basedOn, null);
    setFormulaId(saved.formulaId);
    setSavedFormula(formula);
    setBase({ basedOn: saved.number, knownNewest: saved.number });
    setNote('');
    setBrought(null);
    setPassed(saved.passedBy ? { mine: saved.number, theirs: saved.passedBy.number } : null);
    toast(`Saved as version ${saved.number}`);
    if (formulaId === null) router.replace(`/formulas/${saved.formulaId}`);
    else router.refresh();
  }, [saving, save, formulaId, base, formula, note, router]);

  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
      const key = e.key.toLowerCase();
      if (key === 's') void doSave();
      else if (key === 'z' && !undoesItself(e.target)) send({ do: e.shiftKey ? 'redo' : 'undo' });
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [doSave]);

  const kind = kindById(formula.kind);
  const setConvention = (part: Partial<Conventions>): void => send({ do: 'set', part: { conventions: { ...formula.conventions, ...part } }, place: null });
  const setKind = (id: KindId): void => send({ do: 'set', part: { kind: id, school: kindById(id).schools[0].id }, place: null });
  const make = (): void => {
    if (dirty || !formulaId) toast('Save first: a batch is made from a saved version.');
    else router.push(`/formulas/${formulaId}/plan?version=${base.basedOn}`);
  };

  return (
    <div>
      <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
        <Field
          label={formulaId ? `Formula, version ${base.basedOn}${dirty ? ', changed since' : ''}` : 'New formula'}
          value={formula.name}
          maxLength={MOST_NAME_CHARS}
          placeholder="Name it"
          error={errors['formula.name']}
          onChange={(e) => send({ do: 'set', part: { name: e.target.value }, place: 'name' })}
          className="min-w-64 flex-1"
          inputClass="font-sign !text-[22px] font-extrabold placeholder:font-normal placeholder:text-soft"
        />
        <Choice label="Kind" value={formula.kind} onChange={setKind} options={KINDS.map((k) => ({ value: k.id, label: k.name }))} />
        {kind.schools.length > 1 ? (
          <Choice
            label="School"
            value={schoolOf(kind, formula.school).id}
            onChange={(school) => send({ do: 'set', part: { school }, place: null })}
            options={kind.schools.map((s) => ({ value: s.id, label: s.name }))}
          />
        ) : null}
        <Field
          data-own-undo
          label="What changed"
          value={note}
          maxLength={500}
          placeholder={formulaId ? 'optional' : 'first version'}
          onChange={(e) => setNote(e.target.value)}
          className="w-44"
        />
        <div className="flex gap-1">
          <Button look="bare" aria-label="Undo" disabled={state.past.length === 0} onClick={() => send({ do: 'undo' })} className="!min-h-11">
            <Undo2 size={20} aria-hidden />
          </Button>
          <Button look="bare" aria-label="Redo" disabled={state.future.length === 0} onClick={() => send({ do: 'redo' })} className="!min-h-11">
            <Redo2 size={20} aria-hidden />
          </Button>
          <Button look={dirty ? 'now' : 'plain'} disabled={saving || (!dirty && formulaId !== null)} onClick={() => void doSave()} className="!min-h-11">
            {saving ? 'Saving' : 'Save'}
          </Button>
          <Button look={!dirty && formulaId ? 'now' : 'plain'} onClick={make} className="!min-h-11">
            Scale and make
          </Button>
        </div>
      </div>

      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line pb-2">
        <Choice inline label="Cup" value={formula.conventions.cup} onChange={(cup) => setConvention({ cup })} options={options(CONVENTION_NAMES.cup)} />
        <Choice
          inline
          label="Flour fill"
          value={formula.conventions.flourFill}
          onChange={(flourFill) => setConvention({ flourFill })}
          options={options(CONVENTION_NAMES.flourFill)}
        />
        <Choice inline label="Egg" value={formula.conventions.egg} onChange={(egg) => setConvention({ egg })} options={options(CONVENTION_NAMES.egg)} />
        <Choice inline label="Salt" value={formula.conventions.salt} onChange={(salt) => setConvention({ salt })} options={options(CONVENTION_NAMES.salt)} />
        {versions.length > 1 ? (
          <span className="ml-auto">
            <Choice
              inline
              narrow
              label="Version"
              value={String(number)}
              onChange={(v) => router.push(`/formulas/${formulaId}?version=${v}`)}
              options={versions.map((v) => ({ value: String(v.number), label: v.label }))}
            />
          </span>
        ) : null}
      </div>

      <div className="mt-2 grid gap-2" aria-live="polite">
        {refusal ? (
          <Notice weight="stop" role="alert">
            {refusal}
          </Notice>
        ) : null}
        {passed ? (
          <Notice weight="look" role="status">
            Version {passed.theirs} was saved while you worked. Nothing is overwritten: yours is version {passed.mine}, the other is kept beside it.{' '}
            <a className="font-semibold text-rim underline" href={`/formulas/${formulaId}?version=${passed.theirs}`} target="_blank" rel="noreferrer">
              Open version {passed.theirs}
            </a>
          </Notice>
        ) : null}
        {brought ? (
          <Notice weight="note" role="status">
            Unsaved work from {brought} is back on the bench.{' '}
            <button
              type="button"
              className="font-semibold text-rim underline"
              onClick={() => {
                send({ do: 'load', formula: savedFormula });
                setBrought(null);
              }}
            >
              Throw it away
            </button>
          </Notice>
        ) : null}
        {number !== null && newest !== null && base.basedOn !== null && base.basedOn < newest && !passed ? (
          <Notice weight="note" role="status">
            This is version {base.basedOn} of {newest}. Saving makes a new version from it.
          </Notice>
        ) : null}
      </div>

      <div className="mt-2 grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div>
          {pasting ? <PasteCard formula={formula} send={send} first={formula.entries.length === 0} onDone={() => setPasting(false)} /> : null}
          {pasting && formula.entries.length === 0 ? null : <Sheet formula={formula} lines={lines} analysis={analysis} send={send} />}
          {pasting ? null : (
            <Button look="bare" className="mt-2" onClick={() => setPasting(true)}>
              Paste a card
            </Button>
          )}
        </div>
        {formula.entries.length > 0 ? (
          <Balance analysis={analysis} saved={savedAnalysis} />
        ) : (
          <section className="max-w-md pt-2 text-soft">
            <p>Each line becomes an ingredient, an amount and its grams. What is not understood stays, marked, with something to pick.</p>
            <p className="mt-2">The balance stands here: water, egg, fat, sugar, salt and lift against what most batters of this kind have.</p>
          </section>
        )}
      </div>
    </div>
  );
}
