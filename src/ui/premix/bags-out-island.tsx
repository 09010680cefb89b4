'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { BagsOut } from './bags-out';

const of = island(() => import('./bags-out').then((m) => m.BagsOut));

/** Bags taken from a lot; its script is fetched when a hand comes near. */
export const BagsOutIsland = (props: ComponentProps<typeof BagsOut>) => <Island of={of} props={props} />;
