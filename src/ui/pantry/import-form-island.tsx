'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { ImportForm } from './import-form';

const of = island(() => import('./import-form').then((m) => m.ImportForm));

/** A table that is read in; its script is fetched when a hand comes near. */
export const ImportFormIsland = (props: ComponentProps<typeof ImportForm>) => <Island of={of} props={props} />;
