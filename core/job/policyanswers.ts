import * as z from 'zod';
import { POLICIES, type Policies, type PolicyId } from './policies';

type Shape = { [Id in PolicyId]: z.ZodEnum<{ [A in Policies[Id]]: A }> };

/** The answers to what practitioners disagree on, as a file holds them: those of each policy there is. */
export const PolicyAnswers = z.object(
  Object.fromEntries(
    Object.entries(POLICIES).map(([id, { answers }]) => [id, z.enum(Object.keys(answers))]),
  ) as unknown as Shape,
);
