import type { Flow, Side, Store, Wire } from './store';
import { EVEN, piecesOf, type Pieces } from './zones';

/** What holds a stretch of a transfer at its rate. */
export type Limit =
  'links' | 'other' | 'other rest' | 'cache' | 'rest' | 'drive' | 'heat' | 'memory' | 'pace' | 'share';
/** Where time goes: what holds the rate, and the files' own cost. */
export type Cause = Limit | 'files';

/** Everything constant, or closed-form in the case of warmth, between two events. */
export interface Stretch {
  /** s since the start of all. */
  from: number;
  seconds: number;
  /** B that the source had given and the destination had taken when it began. */
  given: number;
  taken: number;
  /** B/s that the progress bar shows, and that are really written. */
  bar: number;
  rate: number;
  /** What holds the bar, and what holds the writing. */
  barLimit: Limit;
  limit: Limit;
  /** °C of the drive: at the beginning, where it is heading, with which time constant; null for what does not warm up. */
  warm: { from: number; to: number; tau: number } | null;
}

/** Something that gives so much a second: a medium its time, a warm one the power it may draw, a wire one direction. */
export class Resource {
  /** What it has to give: 1 of a medium's time or a wire, W of a body held to its temperature; Infinity where it is no limit. */
  limit: number;
  /** Scratch of sharing out: who uses it, what is left, what those still open want of it for each B/s. */
  users = 0;
  left = 0;
  wanted = 0;

  /**
   * @param kind a medium's time; the power it may draw, which is an average over pauses and comes after the files' own cost; a wire
   * @param body the medium; null for a wire
   * @param role what a wire is called where it decides
   */
  constructor(
    readonly kind: 'time' | 'power' | 'wire',
    readonly body: Body | null,
    readonly role: 'links' | 'other',
  ) {
    this.limit = kind === 'power' ? Infinity : 1;
  }
}

/** What wants to flow as fast as it can, up to `most` B/s. */
export class Taker {
  /** What it uses, and how much of each for each B/s; only the first `count` of them: time, power and wire of both ends at most. */
  readonly uses: (Resource | null)[] = [null, null, null, null, null, null];
  readonly coefficients: number[] = [NaN, NaN, NaN, NaN, NaN, NaN];
  count = 0;
  /** Some of it is power, which may hold it below its most. */
  powered = false;
  most = NaN;
  rate = NaN;
  /** What holds it; null where its own most does. */
  held: Resource | null = null;
  open = false;
}

/** A medium under way. */
export class Body {
  readonly time = new Resource('time', this, 'links');
  /** The power it may draw; null for what is not held to a temperature. */
  readonly budget: Resource | null;
  /** B/s of its outer tracks at this moment, alone. */
  read: number;
  write: number;
  /** s that switching between streams costs for each byte. */
  switching = NaN;
  cache: number;
  /** B/s that are written to it. */
  writing = NaN;
  /** °C, and where it is heading; NaN without heat. */
  warm = NaN;
  to = NaN;
  tau = NaN;
  power = NaN;
  energy = NaN;
  hottest = NaN;
  /** In the low step of a throttle that goes in steps. */
  low = false;
  /** Goes up and down between its steps with nothing else changing. */
  cycling = false;
  /** State when it last went low, to jump over whole cycles. */
  mark: Mark | null = null;

  constructor(readonly store: Store) {
    this.read = store.read;
    this.write = store.write;
    this.cache = store.cache;
    this.switching = this.writing = this.energy = 0;
    this.budget = store.heat?.throttle?.kind === 'hold' ? new Resource('power', this, 'links') : null;
  }
}

/** Everything that adds up, as it stood. */
export interface Mark {
  regime: number;
  time: number;
  flows: { given: number; taken: number; by: Partial<Record<Cause, number>> }[];
  bodies: { cache: number; energy: number }[];
}

/** One end of a flow under way. */
export interface FlowEnd {
  body: Body;
  lane: Resource | null;
  /** B/s the wire carries. */
  through: number;
  pieces: Pieces;
  zone: number;
}

/** A flow under way. */
export interface FlowCourse {
  flow: Flow;
  from: FlowEnd;
  to: FlowEnd;
  /** It has begun, its bytes are still being given, all are written. */
  begun: boolean;
  reading: boolean;
  done: boolean;
  /** When it began, when the bar was full, and when all was written, s since the start of all. */
  began: number;
  bar: number;
  safe: number;
  given: number;
  taken: number;
  in: number;
  out: number;
  inLimit: Limit;
  outLimit: Limit;
  /** What fills the host's memory, where anything does; what is written, or the whole copy at once. */
  into: Taker | null;
  outOf: Taker;
  /** Giving and taking run as one: nothing lies between, or what lies between is full or empty. */
  coupled: boolean;
  /** Its two ends use nothing in common. */
  apart: boolean;
  /** B/s at which bytes come about or memory takes them, and which of the two. */
  asked: number;
  askedBy: 'pace' | 'memory';
  /** s of the files' own cost for each byte. */
  overhead: number;
  tiny: number;
  /** s by cause; adds up to `safe − began`; empty unless asked for. */
  by: Partial<Record<Cause, number>>;
  /** In order; empty unless asked for. */
  stretches: Stretch[];
}

/** All that goes on. */
export interface EngineState {
  courses: FlowCourse[];
  active: FlowCourse[];
  bodies: Body[];
  resources: Resource[];
  /** Scratch of sharing out: all that takes. */
  takers: Taker[];
  time: number;
  /** Counts what changed for good: two moments with the same count differ only by cycles of a throttle. */
  regime: number;
  record: boolean;
  /** Jump over whole cycles of a throttle. */
  jump: boolean;
}

/** One direction of a wire; both where they share it. */
interface Lane {
  wire: Wire;
  direction: 'read' | 'write';
  resource: Resource;
}

/** Puts flows on their media and wires. @throws RangeError for a flow without bytes */
export function begin(flows: readonly Flow[], record: boolean, jump: boolean): EngineState {
  const bodies: Body[] = [];
  const resources: Resource[] = [];
  const lanes: Lane[] = [];
  const bodyOf = (store: Store): Body => {
    for (const body of bodies) if (body.store === store) return body;
    const body = new Body(store);
    bodies.push(body);
    resources.push(body.time);
    if (body.budget) resources.push(body.budget);
    return body;
  };
  const laneOf = (wire: Wire, direction: 'read' | 'write'): Resource => {
    for (const lane of lanes)
      if (lane.wire === wire && (wire.halfDuplex || lane.direction === direction)) return lane.resource;
    const resource = new Resource('wire', null, wire.role);
    lanes.push({ wire, direction, resource });
    return resource;
  };
  const placed = ({ store, wire, at = 0 }: Side, direction: 'read' | 'write', bytes: number): FlowEnd => ({
    body: bodyOf(store),
    lane: wire ? laneOf(wire, direction) : null,
    through: wire ? wire[direction] : Infinity,
    pieces: store.sequentialSources ?? (store.zones ? piecesOf(store.zones, at, bytes) : EVEN),
    zone: 0,
  });
  const courses = flows.map((flow): FlowCourse => {
    const { bytes, pace = Infinity, memory = Infinity } = flow;
    if (!(bytes > 0)) throw new RangeError('A flow needs bytes.');
    const from = placed(flow.from, 'read', bytes);
    const to = placed(flow.to, 'write', bytes);
    return {
      flow,
      from,
      to,
      begun: flow.after === undefined,
      reading: true,
      done: false,
      began: flow.after === undefined ? 0 : NaN,
      bar: NaN,
      safe: NaN,
      given: 0,
      taken: 0,
      in: 0,
      out: 0,
      inLimit: 'links',
      outLimit: 'links',
      into: flow.buffer > 0 ? new Taker() : null,
      outOf: new Taker(),
      coupled: false,
      apart: from.body !== to.body && (from.lane === null || from.lane !== to.lane),
      asked: Math.min(pace, memory),
      askedBy: pace <= memory ? 'pace' : 'memory',
      overhead: (flow.files * flow.perFile) / bytes,
      tiny: bytes * 1e-12 + 1e-6,
      by: {},
      stretches: [],
    };
  });
  for (const { resource } of lanes) resources.push(resource);
  return {
    courses,
    active: courses.filter(isActive),
    bodies,
    resources,
    takers: [],
    time: 0,
    regime: 0,
    record,
    jump,
  };
}

export const isActive = (c: FlowCourse): boolean => c.begun && !c.done;
