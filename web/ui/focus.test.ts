/** @jest-environment jsdom */
import { keepFocus } from './focus';

/* The focus of what is taken away goes to what stands nearest. */
beforeAll(() => {
  // Nothing is laid out here: what is in the document counts as shown.
  Element.prototype.getClientRects = () => [{}] as unknown as DOMRectList;
  keepFocus();
});
beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const list = (...names: string[]) => {
  document.body.innerHTML = `<main><h1>Runs</h1><ul>${names.map((n) => `<li><button>${n}</button></li>`).join('')}</ul><button>after</button></main>`;
};
const button = (name: string) =>
  [...document.querySelectorAll('button')].find((b) => b.textContent === name)!;
/** Focuses a button, takes its row away as pressing it would, and tells what has the focus then. */
function removed(name: string): string {
  button(name).focus();
  const row = button(name).closest('li')!;
  button(name).addEventListener('click', () => row.remove());
  button(name).click();
  jest.advanceTimersByTime(100);
  return document.activeElement!.textContent!;
}

test('the next row, the one before where it was the last, else what follows', () => {
  list('a', 'b', 'c');
  expect(removed('b')).toBe('c');
  list('a', 'b', 'c');
  expect(removed('c')).toBe('b');
  list('a');
  expect(removed('a')).toBe('after');
});

test('what is shut counts as gone: on to what is marked in the same work, else to what stands nearest', () => {
  document.body.innerHTML =
    '<main><div data-work><p><button>Stop</button><button>Lap</button></p><button data-next>Keep</button></div></main>';
  const shut = (name: string, more: () => void = () => undefined) => {
    button(name).focus();
    button(name).addEventListener('click', () => {
      (button(name) as HTMLButtonElement).disabled = true;
      more();
    });
    button(name).click();
    jest.advanceTimersByTime(100);
    return document.activeElement!.textContent;
  };
  expect(shut('Stop')).toBe('Keep');
  document.querySelector('[data-next]')!.removeAttribute('data-next');
  expect(shut('Lap')).toBe('Keep');
});

test('taken away long after the press, or with the dialog it stood in: back to what opened that, or on', async () => {
  list('a', 'b');
  button('a').focus();
  button('a').click();
  jest.advanceTimersByTime(5000);
  button('a').closest('li')!.remove();
  // Observers are told in a turn of their own.
  await Promise.resolve();
  jest.advanceTimersByTime(100);
  expect(document.activeElement).toBe(button('b'));
  document.body.insertAdjacentHTML('beforeend', '<div role="dialog"><button>Note it</button></div>');
  button('Note it').focus();
  document.querySelector('[role="dialog"]')!.remove();
  await Promise.resolve();
  jest.advanceTimersByTime(100);
  expect(document.activeElement).toBe(button('b'));
});

test('what still has the focus keeps it; without anything near, the page itself; a press beside it lets go', () => {
  list('a', 'b');
  button('a').focus();
  button('b').closest('li')!.remove();
  document.dispatchEvent(new KeyboardEvent('keyup', { bubbles: true }));
  jest.advanceTimersByTime(100);
  expect(document.activeElement).toBe(button('a'));
  document.body.innerHTML = '<main><p><button>x</button></p></main>';
  button('x').focus();
  button('x').addEventListener('click', () => document.querySelector('p')!.remove());
  button('x').click();
  jest.advanceTimersByTime(100);
  expect(document.activeElement).toBe(document.querySelector('main'));
  list('a');
  button('a').focus();
  button('a').blur();
  jest.advanceTimersByTime(100);
  expect(document.activeElement).toBe(document.body);
});
