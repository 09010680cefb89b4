'use client';
import type { ComponentProps } from 'react';
import { Island, island } from '../kit/island';
import type { PacketForm } from './packet-form';

const of = island(() => import('./packet-form').then((m) => m.PacketForm));

/** What a packet says; its script is fetched when a hand comes near. */
export const PacketFormIsland = (props: ComponentProps<typeof PacketForm>) => <Island of={of} props={props} />;
