import { formFactor } from '../../catalog/parts';
import { survives } from '../../assembly';
import { middle } from '../../evidence';
import { layoutOf } from '../../forecast';
import { directionOf, isLoad, traitsOf } from '../../job';
import { holdsData, isExternal, THROTTLES_AT } from '../../models';
import type { Candidate, Miss } from './candidate';
import { WHOLLY, type Demand, type JudgedBuild } from './demand';
import type { OpenPlace } from './wanted';

/** rpm; slower disks are hardly heard [practice]. */
const LOUD = 5900;

const wholly = (isAsked: boolean | undefined, isMissed: boolean): number | null =>
  isAsked ? (isMissed ? WHOLLY : 1) : null;
const needsOf = ({ open }: JudgedBuild) => open.needs ?? {};
const isDisk = ({ build }: JudgedBuild) => build.drive.media === 'disk';
const hasFan = ({ build }: JudgedBuild) => build.bridge?.cooling === 'fan';

/** Several drives of which the first to fail takes all with it. */
const fallsWithOne = ({ build: { together = 1, array } }: JudgedBuild): boolean =>
  together > 1 && (array?.mode === 'stripe' || array?.mode === 'concatenation');

/** Copies of the data beside the device's own that hold it at that time. */
const otherCopies = (of: JudgedBuild): number => {
  const { onlyCopy, copies } = needsOf(of);
  if (copies) return copies.filter(holdsData).length - 1;
  return onlyCopy === false ? 1 : 0;
};

/** What nothing else has, or is kept for when all else is gone. */
const mustNotBeLost = (of: JudgedBuild): boolean => {
  const { onlyCopy, role } = needsOf(of);
  return onlyCopy === true || role === 'archive' || role === 'backup';
};

const isSystem = (of: JudgedBuild): boolean =>
  needsOf(of).bootDrive === true || needsOf(of).role === 'system';

/** Once a week and more: what is deleted must be told to a flash drive, else its cache shrinks [practice]. */
const OFTEN = 1 / 7;
const isWrittenOften = ({ open }: JudgedBuild): boolean =>
  open.activities.some(
    (a) =>
      traitsOf(a).answer !== 'room' && directionOf(a) === 'write' && (middle(a.perDay) ?? OFTEN) >= OFTEN,
  );

/** Whether a drive goes into the machine at all: many have no place for one. */
const hasRoomInside = ({ open }: JudgedBuild): boolean =>
  open.host.ports.some(({ connector }) => ['M.2', 'SATA', 'PCIe slot'].includes(connector));

/** Whether something is started from it: a system, a program, a load. */
const isStartedFrom = (of: JudgedBuild): boolean => isSystem(of) || of.open.activities.some(isLoad);

/** Whether it sits behind a single lane: a card in a slot that is wired so, or one that has no more. */
const isOneLane = ({ build: { bridge, port }, open }: JudgedBuild): boolean => {
  const slot = open.host.ports.find(({ id }) => id === port);
  const lanes = (modes: readonly string[]) => modes.length > 0 && modes.every((m) => /^pcie\d+x1$/.test(m));
  return bridge?.kind === 'adapter' && slot !== undefined && (lanes(slot.modes) || lanes(bridge.outer));
};

/** Whether a cable carries USB 2.0 alone where both of its ends could do more. */
const isChargingCable = ({ build: { drive, bridge, cable, port }, open }: JudgedBuild): boolean => {
  const slow = (mode: string) => mode === 'usb-2';
  const { modes } = open.host.ports.find(({ id }) => id === port) ?? { modes: [] };
  const own = bridge ? bridge.outer : drive.modes;
  return cable !== null && cable.modes.every(slow) && ![own, modes].some((end) => end.every(slow));
};

/** What hangs on the mains by itself: an enclosure, a sealed 3.5-inch drive, a hub. */
const hasSupply = ({ build: { drive, bridge, hops = [] } }: JudgedBuild): boolean =>
  bridge?.supply !== undefined ||
  (drive.sealed === true && formFactor(drive.form) === '3.5-inch') ||
  hops.some(({ hub }) => hub.supply !== undefined);

/** All that may be asked of a build, what is never given up first. */
export const DEMANDS: readonly Demand[] = [
  {
    id: 'never striped',
    name: 'no stripe for what must not be lost',
    missed: 'One failed drive loses all, and it is an archive, a back-up or the only copy',
    isNever: true,
    isOwn: true,
    by: (of) => wholly(mustNotBeLost(of), fallsWithOne(of)),
  },
  {
    id: 'service life',
    name: 'service life',
    missed: 'Its rating is written before its service life is over',
    isNever: true,
    isOwn: true,
    by: ({ open, years }) => {
      const wanted = middle(open.serviceYears);
      return years === null || wanted === null || open.needs?.shorterLife ? null : wanted / years;
    },
  },
  {
    id: 'heat',
    name: 'stays cool enough',
    missed: 'It gets hot enough to slow down at what its path carries',
    isNever: true,
    isOwn: true,
    by: ({ hottest }) => (hottest === null ? null : hottest / THROTTLES_AT),
  },
  {
    id: 'one lane',
    name: 'more than one lane to start from',
    missed: 'What is started from it would wait at a single lane',
    isNever: true,
    isOwn: true,
    by: (of) => wholly(isStartedFrom(of), isOneLane(of)),
  },
  {
    id: 'charging cable',
    name: 'a cable that carries data',
    missed: 'Its cable carries USB 2.0 only: such cables are made for charging',
    isNever: true,
    isOwn: true,
    by: (of) => wholly(true, isChargingCable(of)),
  },
  {
    id: 'carried',
    name: 'can be carried',
    missed: 'It sits inside the machine, and is to be carried',
    isNever: true,
    by: (of) => wholly(needsOf(of).portable, !isExternal(of.build)),
  },
  {
    id: 'inside',
    name: 'a system inside its machine',
    missed: 'The machine would boot from a plug that can be pulled',
    isOwn: true,
    by: (of) => wholly(isSystem(of) && hasRoomInside(of), isExternal(of.build)),
  },
  {
    id: 'trim',
    name: 'passes TRIM',
    missed: 'Its enclosure does not pass TRIM: what is written so often gets slower over months',
    isOwn: true,
    by: (of) =>
      wholly(isWrittenOften(of), of.build.drive.media === 'flash' && of.build.bridge?.trim === false),
  },
  {
    id: 'workload',
    name: 'workload rating',
    missed: 'More is read and written in a year than the disk is rated for',
    isOwn: true,
    by: ({ workload }) => workload,
  },
  {
    id: 'shingled together',
    name: 'no shingled disks in an array',
    missed: 'Arrays of shingled disks stall, and rebuild for weeks',
    isOwn: true,
    by: ({ build: { drive, array } }) => wholly(array !== undefined, drive.recording === 'SMR'),
  },
  {
    id: 'apart',
    name: 'a back-up apart from what it backs up',
    missed: 'A back-up inside the machine is lost with it',
    isOwn: true,
    by: (of) => wholly(needsOf(of).role === 'backup', !isExternal(of.build)),
  },
  {
    id: 'one failure',
    name: 'one failed drive without another copy',
    missed: 'One failed drive loses all, and no other copy is planned',
    isOwn: true,
    by: (of) => wholly(!mustNotBeLost(of), fallsWithOne(of) && otherCopies(of) < 1),
  },
  {
    id: 'survives',
    name: 'survives failed drives',
    missed: 'It does not survive as many failed drives as is asked',
    by: (of) => {
      const wanted = needsOf(of).survives;
      if (wanted === undefined) return null;
      const layout = layoutOf(of.build);
      return (layout ? survives(layout) : 0) >= wanted ? 1 : WHOLLY;
    },
  },
  {
    id: 'no moving parts',
    name: 'no moving parts',
    missed: 'It has moving parts: a disk or a fan',
    by: (of) => wholly(needsOf(of).still, isDisk(of) || hasFan(of)),
  },
  {
    id: 'quiet',
    name: 'quiet',
    missed: 'It is heard: a fan, or a disk of more than 5,900 rpm',
    by: (of) =>
      wholly(needsOf(of).quiet, hasFan(of) || (isDisk(of) && (of.build.drive.rpm ?? LOUD + 1) > LOUD)),
  },
  {
    id: 'portable',
    name: 'no power supply of its own',
    missed: 'It needs a power supply of its own',
    by: (of) => wholly(needsOf(of).portable === true || needsOf(of).noSupply === true, hasSupply(of)),
  },
  {
    id: 'hottest',
    name: 'temperature',
    missed: 'It gets hotter than is asked',
    by: (of) => {
      const most = needsOf(of).hottest;
      return most === undefined || of.hottest === null ? null : of.hottest / most;
    },
    open: (of) =>
      needsOf(of).hottest === undefined || of.hottest !== null
        ? null
        : 'How hot it gets is not worked out: of disks, SATA and sealed drives nobody models it.',
  },
  {
    id: 'here by',
    name: 'parts here in time',
    missed: 'Not all of its parts are here by the day',
    by: (of) => {
      const day = needsOf(of).hereBy;
      return day === undefined || of.arrives === null ? null : of.arrives > day ? WHOLLY : 1;
    },
    open: (of) =>
      needsOf(of).hereBy === undefined || of.arrives !== null
        ? null
        : 'Whether all parts are here by the day is not known: note with their prices how long delivery takes.',
  },
];

export const demandOf = (id: string): Demand | undefined => DEMANDS.find((demand) => demand.id === id);
export const isDemand = (id: string): boolean => demandOf(id) !== undefined;

/** A build at each of the places it works, as it hangs there. */
export const judgedAt = (
  one: Omit<JudgedBuild, 'open'> & Pick<Candidate, 'elsewhere'>,
  places: readonly OpenPlace[],
): JudgedBuild[] =>
  places.map((open, at) => ({
    ...one,
    open,
    build: at === 0 ? one.build : { ...one.build, ...one.elsewhere[at - 1] },
  }));

/** What is asked of a build at all, each with how many times it is missed where it is missed most; 1 and less: kept. */
export const demandsOn = (at: readonly JudgedBuild[]): { demand: Demand; by: number }[] =>
  DEMANDS.flatMap((demand) => {
    const all = at.flatMap((of) => demand.by(of) ?? []);
    return all.length === 0 ? [] : [{ demand, by: Math.max(...all) }];
  });

/** What a build misses beside targets. */
export const demandsMissed = (at: readonly JudgedBuild[]): Miss[] =>
  demandsOn(at).flatMap(({ demand: { id }, by }) => (by > 1 ? [{ activity: id, by }] : []));

/** Whether it may be recommended at all: it misses nothing that is never given up. */
export const mayBeAdvised = ({ misses }: { misses: readonly Miss[] }): boolean =>
  !misses.some(({ activity }) => demandOf(activity)?.isNever);
