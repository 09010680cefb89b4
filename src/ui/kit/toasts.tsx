'use client';
import { useEffect, useState } from 'react';
import { useLater, useWarmed } from './later';
import { onFirstToast, toaster, toasterIsUp } from './toast';

/** The place for toasts, set up when the first is said; and the fetching of what may be wanted later. */
export function Toasts() {
  const [wanted, setWanted] = useState(false);
  useWarmed();
  useEffect(() => onFirstToast(() => setWanted(true)), []);
  const part = useLater(toaster, wanted);
  return part ? <part.Toaster onUp={toasterIsUp} /> : null;
}
