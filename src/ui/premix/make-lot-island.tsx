'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { MakeLot } from './make-lot';

const of = island(() => import('./make-lot').then((m) => m.MakeLot));

/** The making of a lot; its script is fetched when a hand comes near. */
export const MakeLotIsland = (props: ComponentProps<typeof MakeLot>) => <Island of={of} props={props} />;
