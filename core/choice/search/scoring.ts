import { YEAR_DAYS } from '../../units';
import { middle } from '../../evidence';
import { dataMembers, type Build, type Connection, type Path } from '../../assembly';
import { formFactor, type Accessory, type Bridge } from '../../catalog/parts';
import { DIRECTIONS, type Direction } from '../../catalog/links';
import { factsOf, screenRules, warmth } from '../../fit';
import {
  builtAs,
  caseOf,
  firstOf,
  layoutOf,
  screen,
  screenPathOf,
  screenWorkload,
  screenWrites,
} from '../../forecast';
import type { Situation } from '../../forecast';
import { answerOf, directionOf, isAsked, isMove, mustNotStall, traitsOf, type Activity } from '../../job';
import { THROTTLES_AT } from '../../models';
import type { Miss } from './candidate';
import type { OpenPlace } from './wanted';

/** What a build comes to at one place, in numbers. */
export interface ScoredBuild {
  build: Build;
  figures: (number | null)[];
  misses: Miss[];
  waits: number;
  steady: number;
  flow: number;
  writes: number | null;
  /** Of a disk: share of its yearly workload rating in use; null where it has none. */
  workload: number | null;
  /** °C that the drive settles at, the warmer direction; null where nothing warms. */
  hottest: number | null;
}

type Paths = ReadonlyMap<string | undefined, Path>;

/** What of an enclosure or card the links and figures go by. */
const bridgeTraits = ({
  kind,
  passThrough,
  inner,
  outer,
  read,
  write,
  protocol,
  cooling,
  card,
  plug,
  socket,
}: Bridge) => [
  [kind, passThrough, inner, outer, plug, socket],
  [read, write, protocol, cooling, card?.splitting],
];

/** Measures builds at one place. What depends on the same things is worked out once. */
export class PlaceScorer {
  private readonly base: Omit<Situation, 'build'>;
  private readonly directions: readonly Direction[];
  private readonly known = new Map<string, Omit<ScoredBuild, 'build'>>();
  private readonly links = new Map<string, Paths>();
  private readonly classes = new Map<unknown, string>();
  /** The other ends that the work here has. */
  private readonly ends: readonly (string | undefined)[];
  /** Ports that something else of the work hangs on. */
  private readonly sharedPorts: ReadonlySet<string>;

  constructor(
    open: OpenPlace,
    shopRanges: Situation['shopRanges'],
    private readonly accessories: readonly Accessory[],
    private readonly priceOf: (part: Accessory) => number,
  ) {
    const { host, activities, needs = {} } = open;
    this.base = { ...open, needs, overrides: {}, shopRanges };
    this.directions = DIRECTIONS.filter((d) => firstOf(activities, d));
    this.ends = [
      ...new Set([...this.directions.map((d) => this.endpointOf(d)), ...activities.map((a) => a.endpoint)]),
    ];
    this.sharedPorts = new Set((host.endpoints ?? []).flatMap(({ port }) => port ?? []));
  }

  /** A build at this place: the first rule that blocks it, or what it comes to with the small parts it needs, a heatsink where it gets hot. */
  try(asked: Build): ScoredBuild | { rule: string } {
    const got = this.fed(asked);
    if ('rule' in got || (got.hottest ?? 0) <= THROTTLES_AT) return got;
    const { accessories = [] } = got.build;
    const sinks = this.small('heatsink', got.build);
    if (sinks.length === 0) return got;
    // Where there is no room for one, the bare drive goes in all the same, and stays hot.
    const cooled = this.fed({ ...got.build, accessories: [...accessories, ...sinks] });
    return 'rule' in cooled || (cooled.hottest ?? 0) >= got.hottest! ? got : cooled;
  }

  /** The same, with the small parts that rules ask for alone. */
  private fed(asked: Build): ScoredBuild | { rule: string } {
    let build = asked;
    // A small part may settle one rule and wake another: a heatsink, then the room above it.
    for (let round = 0; round < 3; round++) {
      const situation = builtAs(build)({ ...this.base, build });
      const paths = this.pathsOf(situation);
      const found = this.directions.map((d) => this.rulesAt(situation, paths.get(this.endpointOf(d))!, d));
      const missing = [...new Set(found.flatMap((f) => f.kit))].flatMap((kind) => this.small(kind, build));
      if (missing.length === 0) {
        const rule = found.flatMap((f) => f.blocks)[0];
        return rule === undefined ? { build, ...this.figuresOf(situation, paths) } : { rule };
      }
      build = { ...build, accessories: [...(build.accessories ?? []), ...missing] };
    }
    return { rule: 'kit' };
  }

  /** The cheapest part of a kind that goes with the drive; none where it is there or the shop has none. */
  private small(kind: Accessory['kind'], { drive, accessories = [] }: Build): Accessory[] {
    if (accessories.some((a) => a.kind === kind)) return [];
    const form = formFactor(drive.form);
    const fits = this.accessories.filter(
      (a) => a.kind === kind && (form === null || a.forms === undefined || a.forms.includes(form)),
    );
    const cost = (a: Accessory) => this.priceOf(a);
    const height = (a: Accessory) => a.height ?? 0;
    return fits
      .sort((a, b) => cost(a) - cost(b) || height(a) - height(b) || a.id.localeCompare(b.id))
      .slice(0, 1);
  }

  private endpointOf(direction: Direction): string | undefined {
    return firstOf(this.base.activities, direction)?.endpoint;
  }

  /** The paths to each other end in use. Builds whose links run alike share them, each with its own parts. */
  private pathsOf(situation: Situation): Paths {
    const { build, host } = situation;
    const key = this.keyOf(situation);
    const had = this.links.get(key);
    if (!had) {
      const made = new Map(this.ends.map((end) => [end, screenPathOf(situation, end)]));
      this.links.set(key, made);
      return made;
    }
    const port = host.ports.find((p) => p.id === build.port)!;
    const mine = { bridge: build.bridge, cable: build.cable, port };
    return new Map([...had].map(([end, path]) => [end, { ...path, parts: { ...path.parts, ...mine } }]));
  }

  private rulesAt(situation: Situation, path: Path, direction: Direction) {
    return screenRules({ ...situation, path, direction });
  }

  private hottestOf(situation: Situation, paths: Paths): number | null {
    const all = this.directions.flatMap(
      (direction) =>
        warmth(factsOf({ ...situation, path: paths.get(this.endpointOf(direction))!, direction })) ?? [],
    );
    return all.length > 0 ? Math.max(...all) : null;
  }

  private figuresOf(situation: Situation, paths: Paths): Omit<ScoredBuild, 'build'> {
    const accessories = situation.build.accessories ?? [];
    const key = `${this.keyOf(situation)}|${accessories.map((a) => a.kind).join()}`;
    const had = this.known.get(key);
    if (had) return had;
    const made = this.work(situation, paths);
    this.known.set(key, made);
    return made;
  }

  /** What a build's links and figures depend on: the drive, the enclosure but for its name and shape, what cable and port can run, what they share. */
  private keyOf({ build, host }: Situation): string {
    const { drive, bridge, together = 1, array, cable, hops = [] } = build;
    const port = host.ports.find((p) => p.id === build.port)!;
    return [
      drive.id,
      bridge && this.classOf(bridge, bridgeTraits),
      cable && this.classOf(cable, ({ modes }) => modes),
      this.classOf(port, (p) => [p.modes, p.connector, p.uplink, this.sharedPorts.has(p.id) ? p.id : null]),
      together,
      array?.mode,
      array?.by,
      ...hops.map((hop) => `${hop.hub.id} ${hop.port} ${hop.cable.modes.join()}`),
    ].join('|');
  }

  private classOf<T extends object>(of: T, tell: (of: T) => unknown): string {
    const had = this.classes.get(of);
    if (had !== undefined) return had;
    const made = JSON.stringify(tell(of));
    this.classes.set(of, made);
    return made;
  }

  private work(situation: Situation, paths: Paths): Omit<ScoredBuild, 'build'> {
    const { activities } = this.base;
    const first = paths.get(this.endpointOf(this.directions[0]!))!;
    // When what is kept fills the drive is drawn, not worked out: finalists say it.
    const figures = activities.map((a) =>
      traitsOf(a).answer === 'room' ? null : screen(caseOf(situation, a.id), paths.get(a.endpoint)),
    );
    const misses = activities.flatMap((a, i) => missOf(a, figures[i]!) ?? []);
    const waits = activities.reduce((sum, a, i) => sum + waitOf(a, figures[i]!), 0);
    const flows = this.directions.map((d) => paths.get(this.endpointOf(d))!.flow?.[d].expected ?? 0);
    const steady = Math.min(
      1,
      ...activities.map((a, i) => steadyOf(a, figures[i]!, paths.get(a.endpoint)!)).filter((s) => s !== null),
    );
    return {
      figures,
      misses,
      waits,
      steady,
      flow: Math.min(...flows),
      writes: screenWrites(situation, first),
      workload: screenWorkload(situation, first),
      hottest: this.hottestOf(situation, paths),
    };
  }
}

/** A target missed by the figure at its middle. A stream's figure is its margin: what is sustained over what is asked. */
function missOf(activity: Activity, figure: number | null): Miss | null {
  if (figure === null || !isAsked(activity)) return null;
  const by = mustNotStall(activity) ? 1 / figure : figure / activity.target!;
  return by > 1 ? { activity: activity.id, by } : null;
}

/** What is done once counts as once a year, so that its time is not for nothing. */
const ONCE = 1 / YEAR_DAYS;

/** s a day of waiting for what ends: how often by the brief, once a day where nobody said. */
function waitOf(activity: Activity, figure: number | null): number {
  const { answer } = traitsOf(activity);
  if (figure === null || answerOf(activity).unit !== 's') return 0;
  return answer === 'wait' ? figure : figure * Math.max(ONCE, middle(activity.perDay) ?? 1);
}

/** Average rate of a move against what its path carries; null for anything else. */
function steadyOf(activity: Activity, figure: number | null, path: Path): number | null {
  const bytes = isMove(activity) ? middle(activity.bytes) : null;
  const flow = path.flow?.[directionOf(activity)].expected;
  return bytes === null || !figure || !flow ? null : bytes / figure / flow;
}

/** B of a device for data; null: not known. */
export function usableBytes(build: Build): number | null {
  const capacity = middle(build.drive.capacity);
  const layout = layoutOf(build);
  return capacity === null ? null : capacity * (layout ? dataMembers(layout) : (build.together ?? 1));
}

/** The way a device hangs, of a build. */
export const connectionOf = ({ cable, port, hops }: Build): Connection => ({
  cable,
  port,
  ...(hops ? { hops } : {}),
});
