'use client';
import type { ComponentProps } from 'react';
import { useAwake } from './awake';

/**
 * Every button of the app. The server draws it disabled, so that no press is swallowed by a page that does not hear it
 * yet; a button that submits stays enabled, since its form (`form.tsx`) is kept by React until then. `data-waking`
 * tells such a button apart from one that is off: it looks as it will.
 */
export function Press({ disabled = false, type = 'button', ...rest }: ComponentProps<'button'>) {
  const waking = !useAwake() && type !== 'submit';
  return <button type={type} data-waking={waking || undefined} disabled={disabled || waking} {...rest} />;
}

/** A box to tick, or a chooser of files: off, like a button, until the page hears it. */
export function Pick({ disabled = false, ...rest }: ComponentProps<'input'>) {
  return <input disabled={!useAwake() || disabled} {...rest} />;
}
