'use client';
import { useSyncExternalStore } from 'react';

const never = () => () => {};

/**
 * Whether the page hears what is done on it: false on the server and until React has taken its markup over, true ever
 * after.
 */
export const useAwake = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
