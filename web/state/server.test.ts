import { keptRuns, ping } from './server';

describe('what asks the server', () => {
  const original = globalThis.fetch;
  afterEach(() => {
    globalThis.fetch = original;
  });

  test('all that find no session at once ask for one together: two would name this browser twice', async () => {
    const asked: string[] = [];
    let isKnown = false;
    globalThis.fetch = (async (path: string) => {
      asked.push(path);
      // Answered after all that was asked meanwhile.
      await new Promise((resolve) => setTimeout(resolve, 5));
      if (path === '/api/session') isKnown = true;
      return Response.json([], { status: isKnown ? 200 : 401 });
    }) as typeof fetch;
    await Promise.all([keptRuns(), keptRuns(), ping()]);
    expect(asked.filter((path) => path === '/api/session')).toHaveLength(1);
    // It is not taken for answered for good.
    await ping();
    expect(asked.filter((path) => path === '/api/session')).toHaveLength(2);
  });
});
