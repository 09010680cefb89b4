'use client';
/**
 * A short sound and a flash of the page's rim, each of which can be turned off in this browser; words always say the
 * same.
 */
import { useEffect, useRef, useState } from 'react';
import { copyOf, keepCopy } from './browser-copy';

const NAME = 'alarms';
const FLASH_MS = 900;
const TONE_HZ = 660;
const TONE_S = 0.18;

interface Alarms {
  readonly sound: boolean;
  readonly flash: boolean;
}
const FRESH: Alarms = { sound: true, flash: true };

const kept = (): Alarms => {
  const c = copyOf(NAME);
  return typeof c === 'object' && c !== null ? { ...FRESH, ...(c as Partial<Alarms>) } : FRESH;
};

/** How this browser calls, and a way to change it. */
export function useAlarms(): readonly [Alarms, (a: Alarms) => void] {
  const [now, setNow] = useState<Alarms>(FRESH);
  useEffect(() => setNow(kept()), []);
  return [
    now,
    (a) => {
      setNow(a);
      keepCopy(NAME, a);
    },
  ];
}

function sound(): void {
  try {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    volume.gain.value = 0.15;
    tone.frequency.value = TONE_HZ;
    tone.connect(volume).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + TONE_S);
    tone.onended = () => void audio.close();
  } catch {
    // no sound here; the words are on the screen
  }
}

function flash(): void {
  const page = document.documentElement;
  page.dataset.flash = '';
  setTimeout(() => delete page.dataset.flash, FLASH_MS);
}

/**
 * Calls when something is asked for after nothing was. @param asked empty: nothing is; null: not known yet, and no
 * reason to call
 */
export function useAlarm(asked: string | null): void {
  const before = useRef<string | null>(null);
  useEffect(() => {
    if (asked && before.current === '') {
      const a = kept();
      if (a.sound) sound();
      if (a.flash) flash();
    }
    before.current = asked;
  }, [asked]);
}
