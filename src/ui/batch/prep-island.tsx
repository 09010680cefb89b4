'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { Prep } from './prep';

const of = island(() => import('./prep').then((m) => m.Prep));

/** Prep; its script is fetched when a hand comes near. */
export const PrepIsland = (props: ComponentProps<typeof Prep>) => <Island of={of} props={props} />;
