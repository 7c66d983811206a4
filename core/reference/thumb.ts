import type { Source } from '../evidence';

/** A rule of thumb of the trade, with where it comes from. */
export interface RuleOfThumb {
  rule: string;
  why: string;
  source: Source;
}

const practice: Source = { kind: 'practice' };
const memory: Source = { kind: 'memory' };

export const RULES_OF_THUMB: readonly RuleOfThumb[] = [
  {
    rule: '1 Gb/s is 125 MB/s before encoding; about 100 of them arrive.',
    why: 'Eight bits a byte; encoding, packets and protocol take the rest.',
    source: practice,
  },
  {
    rule: 'A 10 Gb/s enclosure reads 900 to 1,050 MB/s, whatever fast drive is in it.',
    why: 'The link decides; a faster drive is money for its next life.',
    source: practice,
  },
  {
    rule: 'A SATA drive: 380 to 450 MB/s behind 5 Gb/s, up to 500 to 550 behind 10 Gb/s.',
    why: 'SATA 6 Gb/s ends at about 560 MB/s.',
    source: practice,
  },
  {
    rule: 'A good Thunderbolt 3 enclosure reads about 2,700 MB/s; the first bridges write 1,150 to 1,450 only.',
    why: 'PCIe gen 3 ×4 is tunnelled in 128-byte packets.',
    source: practice,
  },
  {
    rule: 'USB-C is a plug, M.2 is a shape: neither says how fast.',
    why: 'Behind USB-C runs anything from 480 Mb/s to 80 Gb/s; behind M.2 PCIe, SATA or USB.',
    source: practice,
  },
  {
    rule: 'A 20 Gb/s device runs at 10 on a host without the two-lane mode, newer 40 Gb/s ports included.',
    why: 'Two-lane USB is optional for a host.',
    source: practice,
  },
  {
    rule: 'Box figures are cache figures.',
    why: 'What comes after the first tens of gigabytes stands in no headline.',
    source: practice,
  },
  {
    rule: 'Keep a fifth of the drive free.',
    why: 'A dynamic cache is made of free cells and shrinks with them.',
    source: practice,
  },
  {
    rule: '600 TB written per TB of capacity over five years is usual; 350 is a warning sign.',
    why: 'Below that the cells or the firmware are of the cheap kind.',
    source: practice,
  },
  { rule: 'Reads do not wear flash.', why: 'Endurance counts writing and erasing.', source: practice },
  {
    rule: 'Between decent solid-state drives many load times differ by 0 to 2 s.',
    why: 'The processor unpacks the data; the drive waits for it.',
    source: practice,
  },
  {
    rule: '8 TB shows as 7.28 where the system counts in binary.',
    why: '8 × 10¹² ÷ 2⁴⁰.',
    source: { kind: 'standard', note: 'IEC 80000-13' },
  },
  {
    rule: 'Above 2.2 TB use GPT; old enclosures may end there.',
    why: '2³² sectors of 512 bytes are 2.199 TB.',
    source: { kind: 'standard', note: 'UEFI' },
  },
  {
    rule: 'A full format of a large disk takes about a day, and a straight line from its first quarter comes out a quarter short.',
    why: 'Inner tracks run at about half the rate of the outer ones.',
    source: practice,
  },
  {
    rule: 'An array is one copy, not a backup.',
    why: 'It survives a drive, not a mistake, a thief or a fire.',
    source: practice,
  },
  {
    rule: 'Flash is no archive that lies in a drawer for years.',
    why: 'Charge leaks out of cells without power, faster when worn and warm.',
    source: memory,
  },
];
