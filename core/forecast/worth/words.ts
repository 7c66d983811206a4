import { format, formatProbability } from '../../units';
import type { Worth, WorthFinding, WorthId } from './worth';

const DO: Record<WorthId, (worth: Worth) => string> = {
  'ask fill': () => 'Ask how full the drive is when the copy starts',
  'ask bytes': () => 'Ask how much is copied in one go',
  'ask files': () => 'Ask how many files it is',
  'sheet class': () => 'Look up cell type, DRAM and sustained writing in the data sheet',
  'sheet recording': () => 'Look up in the data sheet whether it is a CMR or an SMR disk',
  'look revision': () => 'Read the revision off the drive’s label',
  'look air': () => 'Read the temperature where it stands',
  'time small files': () => 'Time a folder of small files and one large file of the same size',
  'time short copy': ({ bytes }) => `Time one copy of ${format(bytes, 'B', 2)}`,
  'time long copy': ({ bytes }) => `Time one copy of ${format(bytes, 'B', 2)}`,
};

const minutes = (m: number): string =>
  m < 1.5 ? 'a minute' : m < 90 ? `about ${Math.round(m)} minutes` : `about ${format(m * 60, 's', 2)}`;

/** One thing worth finding out, in a sentence. */
export function worthWords(worth: Worth, { target, now }: WorthFinding): string {
  const wear = worth.wear > 0 ? `, ${format(worth.wear, 'B', 2)} written` : '';
  return (
    `${DO[worth.id](worth)} (${minutes(worth.minutes)}${wear}): in ${format(worth.changes, '%', 2)} of cases it changes ` +
    `whether ${format(target, 's')} can be promised, now ${formatProbability(now)} probable.`
  );
}

/** That nothing is worth finding out, where nothing would change the promise. */
export function nothingWorth({ target, now, sure }: WorthFinding): string {
  const [time, p] = [format(target, 's'), formatProbability(now)];
  return now >= sure
    ? `${time} can be promised (${p} probable): nothing there is to find out is likely to change that.`
    : `${time} cannot be promised (${p} probable), and nothing there is to find out is likely to change that: change the build.`;
}
