import { freshBrowser, settled as calm, tab, type Tab } from './fixtures/tabs';
import { SHOP } from '@kymar/core/catalog/stock';
import type { Cable, Drive, Part } from '@kymar/core/catalog/parts';
import { disks } from './disk';

const disk = disks.parts;
const settled = (one: Tab) => calm(one);

const first = SHOP.drives[0]!;
const own: Drive = { ...first, id: 'own-drive', model: 'Own' };
const lead: Cable = { ...SHOP.cables[0]!, id: 'own-lead', name: 'Own lead' };

beforeEach(freshBrowser);

describe('the library laid over what ships', () => {
  test('nothing of its own: what ships, as it is', async () => {
    const { shopNow, originOf } = await tab();
    expect(shopNow()).toEqual(SHOP);
    expect(originOf({}, 'drives', first.id)).toBe('shipped');
  });

  test('own parts come first, changes stand in place, what is removed is gone, and each can be taken back', async () => {
    const store = await tab();
    store.putParts('drives', [own, { ...first, model: 'Changed' }]);
    store.dropPart('drives', SHOP.drives[1]!.id);
    const { drives } = store.shopNow();
    expect(drives.map((d) => d.id)).toEqual([own.id, first.id, ...SHOP.drives.slice(2).map((d) => d.id)]);
    expect(drives[1]!.model).toBe('Changed');
    const held = store.useJobs.getState().parts;
    expect([own.id, first.id, SHOP.drives[2]!.id].map((id) => store.originOf(held, 'drives', id))).toEqual([
      'own',
      'changed',
      'shipped',
    ]);
    store.asShipped('drives', first.id);
    store.asShipped('drives', SHOP.drives[1]!.id);
    store.dropPart('drives', own.id);
    expect(store.shopNow()).toEqual(SHOP);
    expect(store.useJobs.getState().parts).toEqual({});
    await settled(store);
  });

  test('kinds do not mix, and an id may stand in two of them', async () => {
    const store = await tab();
    store.putParts('cables', [{ ...lead, id: first.id }]);
    expect(store.shopNow().drives).toEqual(SHOP.drives);
    expect(store.shopNow().cables[0]!.name).toBe('Own lead');
    await settled(store);
  });
});

describe('keeping it', () => {
  test('what is changed is there after a reload, what is taken back is not', async () => {
    const before = await tab();
    before.putParts('drives', [own]);
    before.putParts('cables', [lead]);
    before.dropPart('hubs', SHOP.hubs[0]!.id);
    before.dropPart('cables', lead.id);
    await settled(before);
    const after = await tab();
    expect(after.shopNow().drives[0]).toEqual(own);
    expect(after.shopNow().cables).toEqual(SHOP.cables);
    expect(after.shopNow().hubs).toEqual(SHOP.hubs.slice(1));
  });

  test('undo and redo are written too', async () => {
    const store = await tab();
    store.putParts('drives', [own]);
    store.undo();
    await settled(store);
    expect(await disk.keys()).toEqual([]);
    store.redo();
    await settled(store);
    expect(await disk.keys()).toEqual(['drives/own-drive']);
  });

  test('what was loaded or came from another tab is no step of undo', async () => {
    await disk.setItem('drives/own-drive', own);
    const [one, two] = [await tab(), await tab()];
    one.undo();
    expect(one.shopNow().drives[0]).toEqual(own);
    two.putParts('cables', [lead]);
    await calm(one, two);
    expect(one.shopNow().cables[0]!.id).toBe(lead.id);
    one.undo();
    expect(one.shopNow().cables[0]).toEqual(lead);
  });

  test('an unsound record is left where it is and not shown', async () => {
    await disk.setItem('drives/broken', { id: 'broken' });
    await disk.setItem('gadgets/x', { id: 'x' });
    const { shopNow } = await tab();
    expect(shopNow()).toEqual(SHOP);
    expect((await disk.keys()).sort()).toEqual(['drives/broken', 'gadgets/x']);
  });

  test('an unsound part is refused with its name and keeps no other from being written', async () => {
    const store = await tab();
    store.putParts('drives', [own, { ...own, id: 'bad id', model: 'Bad' } as Part]);
    await settled(store);
    expect(store.troubleOf(store.useStatus.getState())).toMatch(/Not saved: .*Bad.* may hold letters/);
    expect(await disk.keys()).toEqual(['drives/own-drive']);
  });

  test('thousands are written at once', async () => {
    const store = await tab();
    store.putParts(
      'cables',
      Array.from({ length: 2000 }, (_, i) => ({ ...lead, id: `many-${i}` })),
    );
    await settled(store);
    expect(await disk.length()).toBe(2000);
  });

  test('another tab sees the change, and keeps its own', async () => {
    const [one, two] = [await tab(), await tab()];
    two.putParts('cables', [lead]);
    await settled(two);
    one.putParts('drives', [own]);
    await settled(one);
    await calm(one, two);
    expect(two.shopNow().drives[0]!.id).toBe(own.id);
    expect(two.shopNow().cables[0]).toEqual(lead);
    one.dropPart('drives', own.id);
    await settled(one);
    await calm(one, two);
    expect(two.shopNow().drives[0]!.id).toBe(first.id);
    expect(await disk.keys()).toEqual(['cables/own-lead']);
  });
});
