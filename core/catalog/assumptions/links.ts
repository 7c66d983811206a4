import { DIRECTIONS, LINKS, PACKETS, practiceId, practiceOf } from '../links';
import { row, type Assumption } from './row';

/** What good equipment reaches over each link, out of the link table. */
export const LINK_ROWS: Readonly<Record<`link.${string}`, Assumption>> = Object.fromEntries(
  LINKS.flatMap((link) =>
    DIRECTIONS.flatMap((direction) => {
      const points = practiceOf(link, direction);
      if (!points) return [];
      const { low, expected, high } = points;
      const unit = link.practice.kind === 'share' ? 'ratio' : 'B/s';
      const on = practiceId(link, direction).endsWith('.write') ? `${link.name}, writing` : link.name;
      return [
        [
          practiceId(link, direction),
          row('what good equipment reaches', [low, expected, high], unit, 'practice', ['path'], on),
        ],
      ];
    }),
  ),
);

const packets = ({ name, note, payload: { low, expected, high } }: (typeof PACKETS)['read']) =>
  row(name, [low, expected, high], 'B', 'practice', ['path'], note);

/** What PCIe's packets carry. */
export const PACKET_ROWS = {
  'pcie.payload': packets(PACKETS.read),
  'pcie.completion': packets(PACKETS.write),
};
