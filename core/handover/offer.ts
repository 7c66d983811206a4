import { activitiesOf, buysWords, situationsOf, type Closely, type OrderLine, type Wanted } from '../choice';
import { middle } from '../evidence';
import { machineNames, traitsOf, type Job } from '../job';
import { closeFigureSaid, closelySaid, workOn, workSaid } from '../statements';
import { counted, moneyWords } from '../units';
import { listBlock, section, textBlock, type HandoverDocument, type Section, type Wording } from './block';

const letter = (i: number) => String.fromCharCode('A'.charCodeAt(0) + i);
const headOf = (job: Job, title: string, on: string): Pick<HandoverDocument, 'title' | 'line'> => ({
  title: `${title}: ${job.title}`,
  line: [job.customer, machineNames(job), on].filter(Boolean).join(' · '),
});

/** What one build costs, does, lasts, lacks. */
function offeredOne(one: Closely, i: number, wanted: Wanted, shopHour: number): Section {
  const { paid, written, usable, warranty, kept, lists } = closelySaid(one, wanted);
  const { pieces = 1 } = wanted;
  const [situation] = situationsOf({ wanted }, one.candidate);
  const own = workOn(situation!, { pieces, shopHour });
  const { money } = own;
  const { work } = workSaid(one.id, own, wanted.currency);
  const figures = activitiesOf(wanted).flatMap((activity, k) => {
    const { meets, today } = closeFigureSaid(one, activity, k);
    if (!meets || traitsOf(activity).answer === 'room') return [];
    return [{ ...meets, words: `${activity.name}: ${meets.words}${today ? `; ${today.words}` : ''}` }];
  });
  const said = (name: string, of: { id: string; words: string } | undefined) =>
    of && { ...of, words: `${name}: ${of.words}` };
  const missing = (of: readonly Record<string, { id: string; words: string } | undefined>[]) =>
    of.flatMap((each) => Object.values(each));
  return section(`${letter(i)}: ${one.words}`, [
    listBlock([
      said(money === null ? 'Price' : 'Parts', paid),
      said('Our work', work),
      money === null || one.candidate.cost === null
        ? undefined
        : `Together: ${moneyWords(one.candidate.cost * pieces + money, wanted.currency)}`,
      ...figures,
      said('Holds', usable),
      said('Rated writes used up', written),
      said('Warranty', warranty),
      said('Keeps what was asked', kept),
    ]),
    ...(one.demands.missed.length > 0
      ? [textBlock('What it does not do:'), listBlock(missing(lists.missed))]
      : []),
    ...(one.demands.open.length > 0
      ? [textBlock('Asked, and not known:'), listBlock(missing(lists.open))]
      : []),
    ...(one.cautions.length > 0 ? [textBlock('Watch out for:'), listBlock(missing(lists.cautions))] : []),
  ]);
}

/** What a build costs beside the first, and what is felt of it. */
const apart = (one: Closely, first: Closely, i: number, wanted: Wanted): string =>
  `${letter(i)}: ${buysWords(one.candidate, first.candidate, wanted, 'A')}`;

/**
 * An offer: two or three builds with price, time, life and what each lacks, and room for a signature.
 * @param builds the first is the one that is advised
 * @param on the day, ISO: prices are of days
 * @param shopHour what an hour of the shop's own work costs; 0: not said
 */
export function offer(
  job: Job,
  builds: readonly Closely[],
  wanted: Wanted,
  on: string,
  shopHour = 0,
): HandoverDocument {
  const [first, ...others] = builds;
  const years = middle(wanted.places[0]?.serviceYears);
  return {
    ...headOf(job, 'Offer', on),
    sections: [
      ...builds.map((one, i) => offeredOne(one, i, wanted, shopHour)),
      ...(first && others.length > 0
        ? [
            section('What sets them apart', [
              listBlock(others.map((one, i) => apart(one, first, i + 1, wanted))),
            ]),
          ]
        : []),
      section('Agreed', [
        textBlock(
          `Figures are forecasts${years === null ? '' : `, for ${counted(Math.round(years), 'year')} of use`}; ` +
            'prices are of the days they were seen on and may move. What is fitted is measured, and handed over with what was measured.',
        ),
        listBlock([
          `Chosen: ${builds.map((_, i) => `☐ ${letter(i)}`).join('   ')}   ☐ none`,
          'Date and signature: ______________________________',
        ]),
      ]),
    ],
  };
}

/** What has to be ordered for a build: every part, cable and pad, of whom, when it is here, until when it can go back. */
export function orderList(job: Job, one: Closely, wanted: Wanted, on: string): HandoverDocument {
  const { currency, pieces = 1 } = wanted;
  const money = (amount: number | null) => (amount === null ? 'not known' : moneyWords(amount, currency));
  const days = (of: number | undefined) => (of === undefined ? 'not noted' : counted(of, 'day'));
  const row = ({ name, count, each, owned, price }: OrderLine): Wording[] => [
    name,
    String(count * pieces),
    owned ? 'there already' : money(each),
    owned ? '' : [price?.seller, price?.on].filter(Boolean).join(', '),
    owned ? '' : days(price?.delivery),
    owned ? '' : days(price?.returnDays),
  ];
  return {
    ...headOf(job, 'Order list', on),
    sections: [
      section(one.words, [
        {
          kind: 'table',
          head: ['Part', 'Count', 'Each', 'Seen at', 'Here within', 'Can go back within'],
          numbers: [false, true, true, false, true, true],
          rows: one.order.map(row),
        },
        textBlock(`To be paid: ${one.money}.`),
        ...(one.stale.length > 0 ? [textBlock(`Ask again before ordering: ${one.stale.join('; ')}.`)] : []),
      ]),
      section('When it comes', [
        listBlock([
          'Look each part over before its bag is opened: model, revision, serial number; then the warranty.',
          'Write the day and the price into Set-up: the days to return it count from then.',
        ]),
      ]),
    ],
  };
}
