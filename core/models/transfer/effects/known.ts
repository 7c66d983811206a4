import type { EngineState } from '../state';
import { bytes } from './bytes';
import { cache } from './cache';
import type { Effect } from './effect';
import { heat } from './heat';
import { memory } from './memory';
import { seek } from './seek';
import { zones } from './zones';

/** What the effects of a transfer do at each moment, as lists: an engine that asked every effect each time would spend its time asking. */
export type Hooks = { [K in Exclude<keyof Effect, 'id' | 'concerns'>]-?: NonNullable<Effect[K]>[] };

/** Everything that shapes a transfer, in the order in which it takes note of an event: what ends cycles of heat goes before it. */
const known: Effect[] = [bytes, memory, zones, cache, seek, heat];

/** Hooks by which of the effects have a say, one bit for each: the same sets come again and again. */
const gathered = new Map<number, Hooks>();

function gather(effects: readonly Effect[]): Hooks {
  return {
    begin: effects.flatMap((e) => e.begin ?? []),
    limit: effects.flatMap((e) => e.limit ?? []),
    next: effects.flatMap((e) => e.next ?? []),
    advance: effects.flatMap((e) => e.advance ?? []),
    arrive: effects.flatMap((e) => e.arrive ?? []),
  };
}

/** What the effects that have a say in this transfer do. */
export function hooksFor(state: EngineState): Hooks {
  let which = 0;
  for (let i = 0; i < known.length; i++)
    if (!known[i]!.concerns || known[i]!.concerns!(state)) which |= 1 << i;
  const had = gathered.get(which);
  if (had) return had;
  const made = gather(known.filter((_, i) => which & (1 << i)));
  gathered.set(which, made);
  return made;
}

/** Makes an effect part of every transfer it concerns. @returns how to take it out again */
export function registerEffect(effect: Effect): () => void {
  known.push(effect);
  gathered.clear();
  return () => {
    known.splice(known.indexOf(effect), 1);
    gathered.clear();
  };
}

export type { Effect } from './effect';
