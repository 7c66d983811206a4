/**
 * Form factors drives come in. From memory: M.2 boards are 22 mm wide and 30 to 110 mm long; 2.5-inch drives 69.85 × 100 mm, 3.5-inch ones
 * 101.6 × 147 mm; what is sealed in a case of its own is `external`.
 */
export const FORM_FACTORS = [
  'M.2 2230',
  'M.2 2242',
  'M.2 2260',
  'M.2 2280',
  'M.2 22110',
  '2.5-inch',
  '3.5-inch',
  'external',
] as const;
export type FormFactorId = (typeof FORM_FACTORS)[number];

/** Usual heights in mm [memory], where a sheet does not say. */
const USUAL: Record<string, number> = { 'M.2': 2.3, '2.5-inch': 7, '3.5-inch': 26.1 };

/** The form factor a drive's form names, e.g. `2.5-inch, 7 mm`; null where it names none. */
export function formFactor(form: string): FormFactorId | null {
  return FORM_FACTORS.find((known) => form.toLowerCase().startsWith(known.toLowerCase())) ?? null;
}

export const isM2 = (form: FormFactorId | null): boolean => form?.startsWith('M.2') ?? false;

/** Of an M.2 board with chips on both sides [memory]. */
const BOTH_SIDES = 3.6;

/** Height of a drive in mm as its sheet or its form says, else the usual one of its kind; null where nothing is usual. */
export function heightOf({
  form,
  height,
  sides,
}: {
  form: string;
  height?: number | undefined;
  sides?: 1 | 2 | undefined;
}): number | null {
  const inName = /([\d.]+) ?mm$/.exec(form)?.[1];
  const factor = formFactor(form);
  return (
    height ??
    (inName
      ? Number(inName)
      : isM2(factor) && sides === 2
        ? BOTH_SIDES
        : (USUAL[isM2(factor) ? 'M.2' : (factor ?? '')] ?? null))
  );
}
