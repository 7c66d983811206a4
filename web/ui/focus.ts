/*
 * Where what has the focus is taken away (a row removed, a question answered), the focus goes to what stands nearest, not back to the
 * beginning of the page.
 */
const FOCUSABLE =
  'a[href], button:not([disabled]), input:not([disabled]):not([type="hidden"]), textarea:not([disabled]), [tabindex="0"]';

/** What was focused last, with what it stood in, and which of their parts it was in. */
let last: { element: Element; within: { parent: Element; index: number }[] } | null = null;

function note(element: Element): void {
  const within: { parent: Element; index: number }[] = [];
  for (let at = element; at.parentElement && at.parentElement !== document.body; at = at.parentElement)
    within.push({ parent: at.parentElement, index: [...at.parentElement.children].indexOf(at) });
  last = { element, within };
}

const isShown = (element: Element): boolean => element.getClientRects().length > 0;

/** The control nearest to a place: in what has come to stand there, else after it, else before it. */
function nearest(parent: Element, index: number): HTMLElement | null {
  const controls = [...parent.querySelectorAll<HTMLElement>(FOCUSABLE)].filter(isShown);
  const there = parent.children[index];
  const isBefore = (control: Element) =>
    there !== undefined &&
    !there.contains(control) &&
    (control.compareDocumentPosition(there) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
  return (
    (there ? controls.find((control) => !isBefore(control)) : undefined) ??
    controls.findLast((control) => !there || isBefore(control)) ??
    null
  );
}

function regain(): void {
  if (!last || last.element.isConnected || document.activeElement !== document.body) return;
  for (const { parent, index } of last.within) {
    if (!parent.isConnected) continue;
    const next = nearest(parent, index);
    if (next) return next.focus();
  }
}

/** From now on. */
export function keepFocus(): void {
  addEventListener('focusin', (event) => event.target instanceof Element && note(event.target));
  const later = () => setTimeout(regain, 60);
  for (const event of ['keyup', 'click']) addEventListener(event, later, true);
}
