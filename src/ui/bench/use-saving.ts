'use client';
import { useRouter } from 'next/navigation';
import { type Dispatch, useCallback, useEffect, useRef, useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { type Formula, sameFormula, settled } from '@/core/formula/formula';
import type { Saved } from '@/core/formula/version';
import { act, answerTo, whenIn } from '../kit/answer';
import { pressOf, pressOver } from '../kit/drafts';
import { useRefresh } from '../kit/refresh';
import { toast } from '../kit/toast';
import { type Draft, draftName, keepDraft, readDraft } from './draft';
import type { BenchAction } from './state';

export interface SaveInput {
  readonly formulaId: string | null;
  readonly basedOn: number | null;
  readonly knownNewest: number | null;
  readonly formula: Formula;
  readonly changeNote: string;
  readonly requestId: string;
}

export type SaveAnswer = ActionResult<{ readonly saved: Saved }>;

export interface Opened {
  readonly formulaId: string | null;
  readonly formula: Formula;
  readonly number: number | null;
  readonly newest: number | null;
}

/** Somebody else's version that was saved past ours. */
interface Passed {
  readonly mine: number;
  readonly theirs: number;
}

export interface Saving {
  /** Null until the first save. */
  readonly formulaId: string | null;
  /** The version that is worked on. */
  readonly basedOn: number | null;
  readonly saved: Formula;
  readonly dirty: boolean;
  readonly busy: boolean;
  readonly note: string;
  readonly setNote: (note: string) => void;
  readonly errors: Readonly<Record<string, string>>;
  readonly refusal: string | null;
  /** What was saved waits in the outbox: the server is away. */
  readonly waits: boolean;
  readonly passed: Passed | null;
  /** When the unsaved work was left that is back on the bench. */
  readonly brought: string | null;
  readonly throwAway: () => void;
  /** Saves a new version; `said` stands in for the note. */
  readonly save: (said?: string) => Promise<void>;
}

/**
 * Saving and not losing: versions go to the server, unsaved work is kept in this browser and comes back after a reload.
 * @param atRest no card is being read; a save asked for meanwhile waits for it
 * @param onBrought told once when unsaved work has come back
 * @param onBorn told after the first save, before the address changes
 */
export function useSaving(
  opened: Opened,
  formula: Formula,
  atRest: boolean,
  send: Dispatch<BenchAction>,
  ask: (input: SaveInput) => Promise<SaveAnswer>,
  onBrought: (f: Formula) => void,
  onBorn: (formulaId: string) => void,
): Saving {
  const router = useRouter();
  const refresh = useRefresh();
  const { number, newest, formula: loaded } = opened;
  // a new formula has its id from the first save on, before the address has it
  const [formulaId, setFormulaId] = useState(opened.formulaId);
  const [saved, setSaved] = useState(loaded);
  const [base, setBase] = useState({ basedOn: number, knownNewest: newest });
  const [note, setNote] = useState('');
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [passed, setPassed] = useState<Passed | null>(null);
  const [brought, setBrought] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [waits, setWaits] = useState(false);
  // asked for before it could be done: with these words
  const [held, setHeld] = useState<{ readonly said: string | undefined } | null>(null);
  const [ready, setReady] = useState(false);
  const asked = useRef(false);
  const shown = useRef(formula);
  shown.current = formula;
  const tell = useRef(onBrought);
  tell.current = onBrought;
  const dirty = !sameFormula(formula, saved);

  // unsaved work comes back after a reload; once, so that a refresh after a save disturbs nobody who types on
  useEffect(() => {
    if (asked.current) return;
    asked.current = true;
    void readDraft(formulaId, number, newest).then((draft) => {
      setReady(true);
      // who has begun to work already is not interrupted; what was left stays where it is
      if (!draft || sameFormula(draft.formula, loaded) || !sameFormula(shown.current, loaded)) return;
      send({ do: 'load', formula: draft.formula });
      setBase({ basedOn: draft.basedOn, knownNewest: draft.knownNewest });
      setNote(draft.note ?? '');
      setBrought(draft.at);
      tell.current(draft.formula);
    });
  }, [formulaId, loaded, number, newest, send]);
  useEffect(() => {
    if (!ready) return;
    const draft: Draft = { formula, ...base, at: new Date().toISOString(), note };
    void keepDraft(formulaId, base.basedOn, dirty ? draft : null);
  }, [ready, formula, base, dirty, formulaId, note]);

  const isIn = useCallback((done: Saved, of: Formula): void => {
    setFormulaId(done.formulaId);
    setSaved(of);
    setBase({ basedOn: done.number, knownNewest: done.number });
    setBrought(null);
    setPassed(done.passedBy ? { mine: done.number, theirs: done.passedBy.number } : null);
  }, []);
  // what waited since before this page was drawn is in
  useEffect(
    () =>
      whenIn(draftName(formulaId, base.basedOn), ({ input, answer }) => {
        if (answer?.ok) isIn((answer as unknown as { readonly saved: Saved }).saved, (input as SaveInput).formula);
      }),
    [formulaId, base.basedOn, isIn],
  );

  const save = useCallback(
    async (said?: string) => {
      if (busy) return;
      if (!atRest) {
        setHeld({ said });
        return;
      }
      setBusy(true);
      setRefusal(null);
      setErrors({});
      const input = { formulaId, ...base, formula, changeNote: said ?? note };
      // the same save has the same id, however often it is pressed: a retry makes no second version
      const draft = draftName(formulaId, base.basedOn);
      const requestId = pressOf(draft, settled(input));
      const answer = await answerTo(
        act('save-formula', formula.name || 'a formula', (i) => ask(i as SaveInput), { ...input, requestId }),
        draft,
        () => {
          setBusy(false);
          setWaits(true);
        },
      );
      setBusy(false);
      setWaits(false);
      if (!answer.ok) {
        setErrors(answer.fields);
        setRefusal(answer.fields['formula.name'] ? null : answer.message);
        return;
      }
      const done = answer.saved;
      pressOver(draft);
      void keepDraft(formulaId, base.basedOn, null);
      isIn(done, formula);
      setNote('');
      toast(`Saved as version ${done.number}`);
      if (formulaId === null) {
        onBorn(done.formulaId);
        router.replace(`/formulas/${done.formulaId}`, { scroll: false });
      } else refresh();
    },
    [busy, atRest, ask, formulaId, base, formula, note, router, onBorn, isIn, refresh],
  );
  useEffect(() => {
    if (!held || !atRest) return;
    setHeld(null);
    void save(held.said);
  }, [held, atRest, save]);
  const throwAway = (): void => {
    send({ do: 'load', formula: saved });
    setBrought(null);
  };
  return {
    formulaId,
    basedOn: base.basedOn,
    saved,
    dirty,
    busy: busy || held !== null,
    waits,
    note,
    setNote,
    errors,
    refusal,
    passed,
    brought,
    throwAway,
    save,
  };
}
