'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { HouseForm } from './house-form';

const of = island(() => import('./house-form').then((m) => m.HouseForm));

/** The form of the house; its script is fetched when a hand comes near. */
export const HouseFormIsland = (props: ComponentProps<typeof HouseForm>) => <Island of={of} props={props} />;
