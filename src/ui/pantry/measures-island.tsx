'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { Measures } from './measures';

const of = island(() => import('./measures').then((m) => m.Measures));

/** Measures of the kitchen’s own; its script is fetched when a hand comes near. */
export const MeasuresIsland = (props: ComponentProps<typeof Measures>) => <Island of={of} props={props} />;
