import type { Activity } from '../../../job';
import type { Path } from '../../../assembly';
import type { Drawn, Spread, Uncertain } from '../../../stats';
import type { Case } from '../../case';

/** What could be found out: by a question, by the data sheet, or by measuring. */
export type WorthId =
  | 'ask fill'
  | 'ask bytes'
  | 'ask files'
  | 'ask rate'
  | 'ask lasts'
  | 'ask operations'
  | 'sheet class'
  | 'sheet recording'
  | 'look revision'
  | 'look air'
  | 'time small files'
  | 'time short copy'
  | 'time long copy'
  | 'run at full rate'
  | 'watch load'
  | 'time load'
  | 'run random';

/** Something to find out: what each draw would show, and what it takes. */
export interface Test {
  id: WorthId;
  minutes: number;
  /** B written to the drive by it, and B of the copy or run that is timed; 0 where none is. */
  wear: number;
  bytes: number;
  /** What it tells something of: one activity, all at a place, or the drive. The first two are the same whichever drive it is. */
  about: 'activity' | 'place' | 'drive';
  /** It takes the drive itself. */
  onDrive: boolean;
  signal(drawn: Drawn<string>): number;
}

/** What one draw comes to. */
interface Told {
  /** The figure that answers the activity: s, or times what streams ask for. */
  figure: number;
  met: boolean;
}

/** An answer draw by draw, and how what is open in it could be found out. */
export interface OpenQuestions {
  /** `beyond`: what the models leave out, where its figure is a time by them: a factor. */
  of: Uncertain<string> & { beyond?: Spread };
  /** @param beyond that factor in that draw */
  tell(drawn: Drawn<string>, beyond: number): Told;
  tests: Test[];
}

/** How a kind of activity is drawn; null where nothing flows, or no target is set. */
export type Opening<A extends Activity = Activity> = (of: Case<A>, path: Path) => OpenQuestions | null;
