'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { Plan } from './plan';

const of = island(() => import('./plan').then((m) => m.Plan));

/** The plan; its script is fetched when a hand comes near. */
export const PlanIsland = (props: ComponentProps<typeof Plan>) => <Island of={of} props={props} />;
