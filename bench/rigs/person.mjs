import { MISREAD } from './figures.mjs';
import { play, withOther } from './rig.mjs';

/*
 * What a person does with a rig: times it, reads off what another program shows, looks at it; and where they slip.
 */

/** Whether a slip touches this run. */
const touches = (slips, index) => slips.where === 'all' || (slips.where === 'one' && index === slips.at);

/** A look's answer, in the words that Kymar offers for it. */
export function seenAt(look, rig, work, chance) {
  const misread = (list, right) =>
    chance.is(MISREAD) ? chance.pick(list.filter((one) => one !== right)) : right;
  if (look === 'look at the link') return misread(['usb-5', 'usb-10', 'usb-20'], rig.outer);
  if (look === 'look at the port')
    return rig.hub ? 'a hub or dock' : rig.portClass ? rig.outer : rig.setup.outer;
  if (look === 'look at its space')
    return misread(['nearly full', 'room left'], rig.drive.fill > 0.9 ? 'nearly full' : 'room left');
  if (look === 'count again') {
    const { size, files } = rig.slips;
    const said = [size ? 'another size' : '', files ? 'another number of files' : '']
      .filter(Boolean)
      .join(' and ');
    return said || 'as entered';
  }
  return null;
}

/** What is gone under a test: its rig without what it replaces, and what is timed. */
export function under(look, rig, plain, cause, work, chance) {
  const gone = (...ends) => (cause && ends.includes(cause.ends) ? plain : rig);
  if (!look) return { rig, what: work };
  const by = {
    'swap cable': () => ({ rig: gone('cable'), what: work }),
    'other port': () => ({ rig: gone('port'), what: work }),
    'other machine': () => ({
      rig: withOther(gone('machine', 'port', 'other end'), 'machine', chance),
      what: work,
    }),
    'other device': () => ({ rig: withOther(gone('device', 'cable'), 'device', chance), what: work }),
    synthetic: () => ({
      rig: gone('figures', 'work', 'other end'),
      what: { ...work, memoryEnd: true },
      byClock: true,
    }),
    'one file': () => ({ rig: { ...rig, slips: {} }, what: { ...work, files: 1 } }),
    larger: () => ({ rig, what: { ...work, bytes: work.bytes * 3, files: (work.files ?? 1) * 3 } }),
    'other direction': () => ({
      rig,
      what: { ...work, direction: work.direction === 'read' ? 'write' : 'read' },
    }),
    rested: () => ({ rig: gone('rest'), what: work }),
    // Counters have no thumb, and count what went over them: memory's part they never see.
    watched: () => ({
      rig: { ...rig, slips: { ...rig.slips, memory: undefined } },
      what: work,
      byClock: true,
    }),
    probe: () => ({
      rig: gone('figures', 'work', 'other end'),
      what: { ...work, direction: 'write', bytes: rig.drive.capacity * 0.25, files: 1, memoryEnd: true },
      byClock: true,
    }),
  };
  return by[look]?.() ?? null;
}

/**
 * One run, as it is entered: what stands in the file, and what was really done.
 * @param index which run of all it is: a slip may touch one alone
 * @returns {object | null} null where it does not end
 */
export function timed({ rig, what, byClock = false }, index, lean, chance) {
  const { slips, thumb } = rig;
  const isHit = touches(slips, index);
  const real = {
    ...what,
    bytes:
      what.bytes * (isHit && slips.size && what.kind === 'move' && slips.where === 'all' ? slips.size : 1),
    files: Math.max(
      1,
      Math.round((what.files ?? 1) * (slips.files && what.kind === 'move' ? slips.files : 1)),
    ),
  };
  let took = play(rig, real, chance);
  if (!took) return null;
  if (isHit && slips.memory && what.kind === 'move' && !what.memoryEnd) {
    // So much of it as memory holds does not come from the drive.
    const held = Math.min(1, (rig.host.memory * 0.6) / real.bytes);
    const by = (s) => s * (1 - held) + (held * real.bytes) / slips.memory;
    took = { ...took, bar: by(took.bar), written: by(took.written), samples: [] };
  }
  const until = what.kind === 'open' || byClock ? 'written' : what.until;
  let seconds = (until === 'bar' ? took.bar : took.written) * Math.exp(lean);
  const press = byClock ? 0 : thumb.stop - thumb.start + thumb.spread * Math.SQRT2 * chance.normal();
  seconds = Math.max(0.2, seconds + press + (isHit && slips.thumb && !byClock ? slips.thumb : 0));
  return {
    seconds,
    until,
    // What was entered, which is not always what was done.
    bytes: byClock
      ? real.bytes
      : what.bytes * (isHit && slips.size && slips.where === 'one' ? slips.size : 1),
    files: what.files,
    direction: what.direction ?? 'read',
    memoryEnd: what.memoryEnd ?? false,
    byClock,
    rate: what.asRate && !byClock ? (what.bytes / seconds) * (isHit && slips.units ? slips.units : 1) : null,
    samples: byClock ? took.samples : [],
  };
}
