import { spread } from '../stats';

/** What streams ask where nobody says [memory]: from a voice to raw pictures; from a song to a day. */
export const STREAM_UNKNOWN = {
  rate: { range: spread(0.5e6, 12e6, 150e6), note: 'from sound to raw pictures' },
  lasts: { range: spread(300, 3600, 36_000), note: 'from minutes to a day' },
};
