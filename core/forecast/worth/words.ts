import { format, formatProbability } from '../../units';
import type { WorthId } from './kinds/known';
import type { Worth, WorthFinding } from './worth';

const DO: Record<WorthId, (worth: Pick<Worth, 'bytes'>) => string> = {
  'ask fill': () => 'Ask how full the drive is kept',
  'ask bytes': () => 'Ask how much is copied in one go',
  'ask files': () => 'Ask how many files it is',
  'ask rate': () => 'Ask the bit rate of one stream',
  'ask lasts': () => 'Ask how long the streams go on',
  'ask operations': () => 'Ask how many operations a day come, or watch a day of them',
  'sheet class': () => 'Look up cell type, DRAM and sustained writing in the data sheet',
  'sheet recording': () => 'Look up in the data sheet whether it is a CMR or an SMR disk',
  'look revision': () => 'Read the revision off the label',
  'look air': () => 'Read the temperature where it stands',
  'time small files': () => 'Time a folder of small files and one large file of the same size',
  'time short copy': ({ bytes }) => `Time one copy of ${format(bytes, 'B', 2)}`,
  'time long copy': ({ bytes }) => `Time one copy of ${format(bytes, 'B', 2)}`,
  'run at full rate': ({ bytes }) => `Run the streams at full rate over ${format(bytes, 'B', 2)}`,
  'watch load': () => 'Watch one load where it lies today: bytes, requests, share busy',
  'time load': () => 'Time one load, cold',
  'run random': () => 'Run random requests of its block size and queue depth',
};

const minutes = (m: number): string =>
  m < 1.5 ? 'a minute' : m < 90 ? `about ${Math.round(m)} minutes` : `about ${format(m * 60, 's', 2)}`;

/** What is to be done, with its minutes and wear. @param of what it is done to, where there are several */
export function toDo(worth: Pick<Worth, 'id' | 'bytes' | 'minutes' | 'wear'>, of = ''): string {
  const wear = worth.wear > 0 ? `, ${format(worth.wear, 'B', 2)} written` : '';
  return `${DO[worth.id](worth)}${of} (${minutes(worth.minutes)}${wear})`;
}

const promise = ({ target }: WorthFinding): string => (target === null ? 'no stall' : format(target, 's'));

/** One thing worth finding out, in a sentence. */
export const worthWords = (worth: Worth, found: WorthFinding): string =>
  `${toDo(worth)}: in ${format(worth.changes, '%', 2)} of cases it changes ` +
  `whether ${promise(found)} can be promised, now ${formatProbability(found.now)} probable.`;

/** That nothing is worth finding out, where nothing would change the promise. */
export function nothingWorth(found: WorthFinding): string {
  const [what, p] = [promise(found), formatProbability(found.now)];
  const said = `${what[0]!.toUpperCase()}${what.slice(1)}`;
  return found.now >= found.sure
    ? `${said} can be promised (${p} probable): nothing there is to find out is likely to change that.`
    : `${said} cannot be promised (${p} probable), and nothing there is to find out is likely to change that: change the build.`;
}
