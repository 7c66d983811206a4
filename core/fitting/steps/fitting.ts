import type { StepFacts, FittingStep } from '../step';

/** A laptop's bay: one plug for data and power, no leads. */
const slidesIn = (b: StepFacts) => b.inside && b.host.kind === 'laptop' && b.form === '2.5-inch';
const opens = (b: StepFacts) => b.inside || (b.bridge !== null && !b.drive.sealed);

/** Fitting, by form. */
export const FITTING: readonly FittingStep[] = [
  {
    id: 'mains',
    minutes: 3,
    phase: 'fitting',
    when: (b) => b.inside,
    title: (b) =>
      b.host.kind === 'laptop' || b.host.kind === 'tablet' || b.host.kind === 'handheld'
        ? 'Shut down, unplug, and disconnect the battery'
        : 'Shut down, pull the mains lead, press the power button once',
    how: 'Shut down, not asleep. Wait until fans stand still and lights are out. Power supplies stay closed.',
    caution: (b) =>
      'Local electrical codes, the maker’s instructions and licensed or certified practice come first. ' +
      (b.host.kind === 'laptop'
        ? 'Never pierce, bend or pry a lithium battery.'
        : 'Charge stays in a power supply for a while.'),
  },
  {
    id: 'static',
    minutes: 1,
    phase: 'fitting',
    when: opens,
    title: 'Discharge yourself; hold the drive by its sides',
    how: 'A wrist strap, or touch bare metal of the case. Contacts and chips are not touched; it lies on its bag, not on carpet.',
  },
  {
    id: 'hot',
    minutes: 3,
    phase: 'fitting',
    when: (b) => b.inside && !b.disk,
    title: 'Let heatsinks cool down, mind the edges',
    how: 'Drives and heatsinks stay hot for minutes. Sheet metal cuts; magnets keep away from disks.',
  },
  {
    id: 'standoff',
    minutes: (b) => 4 * b.drives,
    phase: 'fitting',
    when: (b) => b.m2 && (b.inside || b.bridge !== null),
    title: (b) => `Put the standoff where a ${b.drive.form.replace(/^M\.2\s*/, '')} board ends`,
    how: 'The board goes in at a slant until it stops, is laid down and held by its screw, finger-tight. No force: the key fits or it does not.',
    caution: (b) =>
      b.drive.sides === 2
        ? 'Chips on both sides: nothing may touch its underside but a pad made for it.'
        : 'A standoff left in a shorter place shorts the board.',
  },
  {
    id: 'pad',
    minutes: (b) => 4 * b.drives,
    phase: 'fitting',
    when: (b) => b.has('pad') || b.has('heatsink') || b.bridge?.cooling === 'metal with pad',
    title: 'Lay the pad so that it really touches',
    how: (b) =>
      `Peel both films. ${b.height === null ? '' : `Drive and what lies on it are ${b.height} mm high. `}` +
      'Press once, lift again, and look for an even print: where there is none, the pad is too thin.',
    caution: 'Too thick a pad bends the board. The label stays on: it carries the warranty.',
  },
  {
    id: 'two-and-a-half',
    minutes: (b) => 5 * b.drives,
    phase: 'fitting',
    when: (b) => b.form === '2.5-inch' && b.inside,
    title: 'Fix it with four screws of the right length',
    how: (b) =>
      `${b.has('bay adapter') ? 'Into the bay adapter first. ' : ''}Screws that are too long reach the board. A loose disk hums and loses speed.`,
  },
  {
    id: 'bracket',
    minutes: 6,
    phase: 'fitting',
    when: (b) => b.port.connector === 'PCIe slot',
    title: (b) => `Fit the card into ${b.port.position}`,
    how: (b) =>
      (b.has('bracket') || b.port.slot?.bracket === 'half' ? 'Change to the short bracket first. ' : '') +
      'Straight down until the latch closes; screw the bracket, so that a pulled cable pulls the case and not the card.',
  },
  {
    id: 'feed',
    minutes: (b) => 4 * b.drives,
    phase: 'fitting',
    when: (b) => b.disk || b.has('power lead') || b.has('data lead') || b.port.connector === 'SATA',
    title: (b) => (slidesIn(b) ? 'Slide it onto its connector' : 'Connect data and power'),
    how: (b) =>
      slidesIn(b)
        ? 'Straight, until it sits; its frame or cover holds it there. Data and power are one plug: a ribbon is not pulled or bent.'
        : `Both until they click. ${b.form === '3.5-inch' ? 'A 3.5-inch disk needs 12 V: from the case’s own supply, or the enclosure’s.' : '5 V do.'} ` +
          'Leads lie free of fans.',
    caution: (b) =>
      slidesIn(b)
        ? ''
        : 'A lead from another power supply may fit and carry other voltages: it ends the drive.',
  },
  {
    id: 'enclosure',
    minutes: (b) => 4 * b.drives,
    phase: 'fitting',
    when: (b) => b.bridge !== null && !b.inside && b.bridge.kind !== 'adapter' && !b.drive.sealed,
    title: (b) => `Fit it into ${b.bridge!.model}`,
    how: (b) =>
      (b.drives > 1
        ? 'Each on its tray, with the tray’s own screws, into the bay that was written down. '
        : '') + 'Until it stops; close the lid without force. What does not close is in the wrong way round.',
  },
];
