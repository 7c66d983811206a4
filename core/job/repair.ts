import { Job } from './job';
import { VERSION } from './limits';
import { issuesOf, type Read } from '../text';
import { checkJob, upToDate } from './read';

type Path = readonly PropertyKey[];
type Fields = Record<PropertyKey, unknown>;

const at = (data: unknown, path: Path): unknown =>
  path.reduce(
    (here: unknown, key) => (typeof here === 'object' && here !== null ? (here as Fields)[key] : undefined),
    data,
  );

/** One thing that was fixed in a damaged record. */
interface Fix {
  path: Path;
  words: string;
}

const placed = (path: Path): string => path.map(String).join('.');
/** Lists whose entries may be left out where nothing of them can be kept. */
const LISTS = ['runs', 'forecasts', 'activities', 'connections', 'chain'];

/** What would fix a fault: a figure becomes not known, an entry of a list or an optional thing is left out. Null where nothing would. */
function fixFor(data: unknown, path: Path): Fix | null {
  for (let n = path.length; n > 0; n--) {
    const here = at(data, path.slice(0, n));
    if (typeof here === 'object' && here !== null && 'value' in here && 'source' in here && n < path.length)
      return {
        path: path.slice(0, n),
        words: `${placed(path.slice(0, n))} is not known any more (it said ${JSON.stringify(here.value).slice(0, 40)})`,
      };
  }
  const [list, index] = path;
  if (LISTS.includes(String(list)) && index !== undefined)
    return { path: path.slice(0, 2), words: `${String(list)} entry ${Number(index) + 1} is left out` };
  return path.length > 0 ? { path, words: `${placed(path)} is left out` } : null;
}

function applied(data: unknown, { path }: Fix): void {
  const parent = at(data, path.slice(0, -1)) as Fields | unknown[] | undefined;
  const key = path.at(-1)!;
  if (typeof parent !== 'object' || parent === null) return;
  const here = (parent as Fields)[key];
  if (typeof here === 'object' && here !== null && 'value' in here && 'source' in here)
    (parent as Fields)[key] = { value: null, source: { kind: 'unknown' } };
  else if (Array.isArray(parent)) parent.splice(Number(key), 1);
  else delete parent[key];
}

/**
 * Repairs a damaged job as far as the rest of it can be kept: figures that cannot be become not known, entries that cannot be read are
 * left out. The damaged record itself is not changed.
 * @returns the job with what was done to it in words, or why nothing can be done
 */
export function repairJob(raw: unknown): Read<{ job: Job; did: string[] }> {
  if (typeof raw !== 'object' || raw === null)
    return { ok: false, problems: ['There is nothing in it that could be repaired.'] };
  const copy = JSON.parse(JSON.stringify(raw)) as Fields;
  const did: string[] = [];
  if (typeof copy.kymarVersion === 'number' && copy.kymarVersion > VERSION)
    return { ok: false, problems: ['A newer Kymar wrote it: update Kymar to open it.'] };
  if (!Number.isInteger(copy.kymarVersion)) {
    // Until version 3 a job had one machine.
    copy.kymarVersion = 'host' in copy ? 3 : VERSION;
    did.push('kymarVersion is taken to be the one that its fields are of');
  }
  const data = upToDate(copy) as Fields;
  for (let round = 0; round < 200; round++) {
    const read = checkJob(data);
    if (read.ok) return { ok: true, value: { job: read.value, did } };
    const { error } = Job.safeParse(data);
    const [issue] = error ? issuesOf(error) : [];
    const fix = issue && fixFor(data, issue.path);
    if (!fix || did.includes(fix.words)) return { ok: false, problems: read.problems };
    applied(data, fix);
    did.push(fix.words);
  }
  return { ok: false, problems: ['Too much of it is damaged.'] };
}
