'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { ForeignMix } from './foreign-mix';

const of = island(() => import('./foreign-mix').then((m) => m.ForeignMix));

/** The form of a bought mix; its script is fetched when a hand comes near. */
export const ForeignMixIsland = (props: ComponentProps<typeof ForeignMix>) => <Island of={of} props={props} />;
