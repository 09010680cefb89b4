'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { SideForm } from './side-form';

const of = island(() => import('./side-form').then((m) => m.SideForm));

/** The form of a sauce or side; its script is fetched when a hand comes near. */
export const SideFormIsland = (props: ComponentProps<typeof SideForm>) => <Island of={of} props={props} />;
