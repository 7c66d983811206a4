/** Version of the job file that this Kymar writes. */
export const VERSION = 4;
