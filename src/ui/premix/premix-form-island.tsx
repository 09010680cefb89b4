'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { PremixForm } from './premix-form';

const of = island(() => import('./premix-form').then((m) => m.PremixForm));

/** The form of a premix; its script is fetched when a hand comes near. */
export const PremixFormIsland = (props: ComponentProps<typeof PremixForm>) => <Island of={of} props={props} />;
