'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { Calibrate } from './calibrate';

const of = island(() => import('./calibrate').then((m) => m.Calibrate));

/** A cup that is weighed; its script is fetched when a hand comes near. */
export const CalibrateIsland = (props: ComponentProps<typeof Calibrate>) => <Island of={of} props={props} />;
