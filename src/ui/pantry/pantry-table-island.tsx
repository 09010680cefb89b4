'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { PantryTable } from './pantry-table';

const of = island(() => import('./pantry-table').then((m) => m.PantryTable));

/** The table of the pantry; its script is fetched when a hand comes near. */
export const PantryTableIsland = (props: ComponentProps<typeof PantryTable>) => <Island of={of} props={props} />;
