import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type Request, type Response } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { isEnd, RunRequest } from '@kymar/core/measure';
import { problemsOf } from '@kymar/core/text';
import { groundOf } from './ground';
import { browserOf, giveToken, ownPageOnly, withToken } from './guard';
import { Problem, problems } from './problem';
import type { Runs } from './runs';
import { pluggedIn } from './plugged';
import { asTarget, inspect, type Folder } from './target';
import { watchable, WatchTask, type CounterRoots } from './ways/watch/task';

export interface ServerSettings {
  token: string;
  folders: Folder[];
  /** B that stay free; null for the default share of the volume. */
  reserve: number | null;
  /** Folders that are read and watched only. */
  sources: Folder[];
  /** Where Linux's sysfs and proc are. */
  roots: CounterRoots;
  /** The built page. */
  web: string;
  runs: Runs;
  port(): number;
}

const CONTENT_SECURITY = {
  'upgrade-insecure-requests': null,
  'script-src': ["'self'"],
  'style-src': ["'self'", "'unsafe-inline'"],
  'font-src': ["'self'"],
  'img-src': ["'self'", 'data:'],
};

/** Refuses every other method of a path, naming those that do. */
const only = (allow: string) => (request: Request) => {
  throw new Problem(405, 'Not that way', `${request.method} does nothing here; ${allow} would.`, allow);
};

/** What cannot be decoded is refused here, before others do it in their own words. */
const readable = (request: Request, _response: Response, next: () => void): void => {
  decodeURIComponent(request.path);
  next();
};

/** The server's routes. */
export function createApp(settings: ServerSettings): Express {
  const { token, web, port } = settings;
  const app = express();
  app.disable('x-powered-by');
  app.enable('case sensitive routing');
  app.use(ownPageOnly(port), readable);
  // What only a page can be told is told with the page: thirty files without a kilobyte of headers each.
  app.use('/assets', helmet.xContentTypeOptions(), helmet.crossOriginResourcePolicy());
  // Compressed when built: doing it at the first request would cost the first view a second.
  app.use(
    '/assets',
    expressStaticGzip(join(web, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: { immutable: true, maxAge: '1y' },
    }),
  );
  app.use(
    helmet({ strictTransportSecurity: false, contentSecurityPolicy: { directives: CONTENT_SECURITY } }),
  );
  app.use('/api', api(settings));

  const page = readFileSync(join(web, 'index.html'), 'utf8');
  app.use('/assets', () => {
    throw new Problem(404, 'No such file', 'This page is of another build of Kymar. Reload it.');
  });
  app.use(express.static(web, { index: false }));
  app.get('/{*any}', (request, response) => {
    giveToken(request, response, token, port());
    response.set('Cache-Control', 'no-store').type('html').send(page);
  });
  app.use(only('GET, HEAD'));
  app.use(problems);
  return app;
}

function api({ token, folders, sources, reserve, roots, runs, port }: ServerSettings): express.Router {
  const router = express.Router({ caseSensitive: true });
  router.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  // For a page that was loaded before this start, or from elsewhere while developing.
  router.get('/session', (request, response) => {
    giveToken(request, response, token, port());
    response.json({});
  });
  router.all('/session', only('GET'));
  router.use(withToken(token, port), express.json({ limit: '10kb' }));
  const places = () => Promise.all(folders.map((folder) => inspect(folder, reserve)));
  const sourcePlaces = () => Promise.all(sources.map((f) => inspect(f, reserve, false)));
  const watched = async () => watchable(roots, [...(await places()), ...(await sourcePlaces())]);

  router.get('/targets', async (_request, response) => {
    response.json((await places()).map(asTarget));
  });
  router.all('/targets', only('GET'));

  router.get('/devices', async (_request, response) => {
    response.json(await pluggedIn(roots.sysfs));
  });
  router.all('/devices', only('GET'));

  router.get('/watchable', async (_request, response) => {
    response.json(await watched());
  });
  router.all('/watchable', only('GET'));

  router.get('/sources', async (_request, response) => {
    response.json((await sourcePlaces()).map(asTarget));
  });
  router.all('/sources', only('GET'));

  const begun = async (request: RunRequest, browser: string) => {
    if (request.kind !== 'watch')
      return runs.start(
        request,
        () => groundOf(request, { targets: places, sources: sourcePlaces }),
        browser,
      );
    const device = (await watched()).find((d) => d.id === request.device);
    if (!device) throw new Problem(404, 'No such device', 'It was unplugged meanwhile. Look again.');
    return runs.watch(() => new WatchTask(request, device, roots), browser);
  };

  router.get('/runs', (request, response) => {
    response.json(runs.list(browserOf(request)));
  });
  router.post('/runs', async (request, response) => {
    const wanted = RunRequest.safeParse(request.body);
    if (!wanted.success)
      throw new Problem(400, 'The run cannot be started', problemsOf(wanted.error).join('; '));
    response.status(201).json((await begun(wanted.data, browserOf(request))).kept);
  });
  router.all('/runs', only('GET, POST'));

  const asked = (request: Request<{ id: string }>) => runs.find(request.params.id, browserOf(request));
  router.get('/runs/:id/events', (request, response) => stream(response, asked(request)));
  router.all('/runs/:id/events', only('GET'));
  // Stopping a run and taking its result are two things: a stopped run still tells what became of it.
  router.post('/runs/:id/stop', (request, response) => {
    asked(request).abort();
    response.status(202).json({});
  });
  router.all('/runs/:id/stop', only('POST'));
  // What is watched may be over when a person says so: a program is open.
  router.post('/runs/:id/finish', (request, response) => {
    if (!asked(request).finish())
      throw new Problem(409, 'It ends by itself', 'Only what is watched can be said to be over.');
    response.status(202).json({});
  });
  router.all('/runs/:id/finish', only('POST'));
  router.delete('/runs/:id', (request, response) => {
    runs.take(request.params.id, browserOf(request));
    response.json({});
  });
  router.all('/runs/:id', only('DELETE'));

  router.use(() => {
    throw new Problem(404, 'No such thing', 'Kymar offers nothing under this address.');
  });
  return router;
}

/** Server-sent events until the run ends or the page goes away; a run goes on without its page. */
function stream(response: Response, run: ReturnType<Runs['find']>): void {
  response.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
  const leave = run.follow((event) => {
    response.write(`data: ${JSON.stringify(event)}\n\n`);
    if (isEnd(event)) response.end();
  });
  response.on('close', leave);
}
