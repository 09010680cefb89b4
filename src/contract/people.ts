/** A person of the kitchen, as a form sends it. */
import { z } from 'zod';
import { ROLES } from '@/core/morning/morning';
import { MOST_PERSON_CHARS, PERSON_MARKS } from '@/core/morning/people';
import { name } from './fields';

export const personSchema = z.object({
  /** Made by the form that adds the person: added twice it is one. */
  id: z.uuid(),
  name: name(MOST_PERSON_CHARS, 'A first name or nickname.'),
  role: z.enum(ROLES),
  mark: z.enum(PERSON_MARKS),
  /** What the form has seen; null: the person is new. */
  revision: z.number().int().min(1).nullable(),
});
export const erasePersonSchema = z.object({ id: z.uuid() });
