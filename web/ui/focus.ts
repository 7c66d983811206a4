/*
 * Where what has the focus is taken away or shut (a row removed, a clock stopped, a dialog done), the focus goes to where the work goes on: to what is
 * marked so in the same piece of work, else to what stands nearest, never back to the beginning of the page.
 */
const FOCUSABLE =
  'a[href], button:not([disabled]), input:not([disabled]):not([type="hidden"]), textarea:not([disabled]), [tabindex="0"]';
const TYPED_INTO = 'input, textarea';
/** Marks a piece of work, and the control in it with which it goes on. */
const WORK = '[data-work]';
const NEXT = '[data-next]:not([disabled])';

/** What was focused, with what it stood in, and which of their parts it was in. */
interface Spot {
  element: Element;
  within: { parent: Element; index: number }[];
}
/** The last ones, the latest at the end: what opened a dialog stands before what was pressed in it. */
let spots: Spot[] = [];
const MOST = 8;
/** Whether the focus went out of the last one, as it does for a person and does not where its element is taken away. */
let isLeft = false;
/** Who takes a control away may give the focus to another by itself: so long is waited for it, ms. */
const PATIENCE = 60;

function note(element: Element): void {
  const within: Spot['within'] = [];
  // Beyond a view stands nothing of its work: what frames it is no way on.
  for (
    let at = element;
    at.parentElement && at.tagName !== 'MAIN' && at.parentElement !== document.body;
    at = at.parentElement
  )
    within.push({ parent: at.parentElement, index: [...at.parentElement.children].indexOf(at) });
  spots = [...spots.filter((spot) => spot.element !== element), { element, within }].slice(-MOST);
}

/** Seen, and so to be given the focus: what stands in its place hidden takes none. */
const isShown = (element: Element): boolean =>
  element.getClientRects().length > 0 && getComputedStyle(element).visibility === 'visible';
const isUsable = (element: Element): boolean =>
  element.isConnected && !element.matches(':disabled') && isShown(element);
const isLost = (): boolean => {
  const now = document.activeElement;
  return now === null || now === document.body || now.matches(':disabled');
};

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

/** Where the work goes on from a spot. */
function nextOf({ within }: Spot): HTMLElement | null {
  const standing = within.filter(({ parent }) => parent.isConnected);
  const work = standing.find(({ parent }) => parent.matches(WORK))?.parent;
  const marked = [...(work?.querySelectorAll<HTMLElement>(NEXT) ?? [])].find(isShown);
  if (marked) return marked;
  for (const { parent, index } of standing) {
    const found = nearest(parent, index);
    if (found) return found;
  }
  return null;
}

function regain(): void {
  const last = spots.at(-1);
  if (!last || !isLost()) return;
  if (isUsable(last.element)) {
    // A person pressed beside it; moved to another place, it lost the focus without a word.
    if (isLeft) spots = [];
    else (last.element as HTMLElement).focus();
    return;
  }
  for (const spot of spots.toReversed()) {
    const next = isUsable(spot.element) ? (spot.element as HTMLElement) : nextOf(spot);
    if (next) return next.focus();
  }
  // Another view stands there: its work begins with its first control. In a field no single key would go anywhere any more: before one it waits.
  const main = document.querySelector<HTMLElement>('main');
  if (!main) return;
  const first = [...main.querySelectorAll<HTMLElement>(FOCUSABLE)].find(isShown);
  if (first && !first.matches(TYPED_INTO)) return first.focus();
  main.tabIndex = -1;
  main.focus({ preventScroll: true });
}

/** From now on. */
export function keepFocus(): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const later = () => {
    clearTimeout(timer);
    timer = setTimeout(regain, PATIENCE);
  };
  addEventListener('focusin', (event) => {
    isLeft = false;
    if (event.target instanceof Element) note(event.target);
  });
  addEventListener('focusout', () => (isLeft = true));
  for (const event of ['keyup', 'click', 'focusout']) addEventListener(event, later, true);
  // What takes its time (a forecast frozen, a price stored) takes its button away when nobody presses anything.
  new MutationObserver(() => spots.length > 0 && isLost() && later()).observe(document, {
    childList: true,
    subtree: true,
    attributeFilter: ['disabled'],
  });
}
