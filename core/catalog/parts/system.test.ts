import { HOSTS } from '../stock';
import { readSystem, versionNumber, withSystem } from '.';

test.each([
  ['Windows 7', 'Windows', '7'],
  ['windows xp', 'Windows', 'xp'],
  ['Win11 Pro', 'Windows', '11'],
  ['macOS 14.2', 'macOS', '14.2'],
  ['Mac OS X 10.6', 'macOS', '10.6'],
  ['Linux 6.8', 'Linux', '6.8'],
  ['Ubuntu 22.04', 'Linux', undefined],
  ['Debian, kernel 5.10', 'Linux', '5.10'],
  ['FreeBSD 14', 'BSD', '14'],
])('%s is understood', (text, family, version) =>
  expect(readSystem(text)).toEqual({ family, ...(version ? { version } : {}) }),
);

test('what names none is none', () => expect(readSystem('whatever came with it')).toBeNull());

test('old versions stand in their order', () => {
  const list = ['XP', 'Vista', '7', '8.1', '10'].map((v) => versionNumber(v)!);
  expect(list).toEqual([...list].sort((a, b) => a - b));
});

test('what is typed is the system in use; what was measured of the same family stays', () => {
  const host = HOSTS.find((h) => h.systems?.some((s) => s.efficiency))!;
  const first = host.systems!.find((s) => s.efficiency)!;
  const typed = withSystem(host, `${first.family} 99`);
  expect(typed.systems![0]).toMatchObject({ family: first.family, efficiency: first.efficiency });
  expect(withSystem(host, 'Windows 7').systems![0]).toMatchObject({ family: 'Windows', version: '7' });
  expect(withSystem(host, 'something').system).toBe('something');
});
