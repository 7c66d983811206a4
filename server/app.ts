import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type Response } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { RunRequest } from '@kymar/core/bench';
import { problemsOf } from '@kymar/core/job';
import { ownPageOnly, withToken } from './guard';
import { Problem, problems } from './problem';
import type { Runs } from './runs';
import { pluggedIn } from './plugged';
import { inspect, type Folder } from './target';

export interface Settings {
  token: string;
  folders: Folder[];
  /** B that stay free; null for the default share of the volume. */
  reserve: number | null;
  /** Where Linux's sysfs is. */
  sysfs: string;
  /** The built page. */
  web: string;
  runs: Runs;
  port(): number;
}

/** The server's routes. */
export function createApp({ token, folders, reserve, sysfs, web, runs, port }: Settings): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(ownPageOnly(port));
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: { directives: { 'upgrade-insecure-requests': null, 'script-src': ["'self'"], 'style-src': ["'self'", "'unsafe-inline'"], 'font-src': ["'self'"], 'img-src': ["'self'", 'data:'] } },
    }),
  );

  const api = express.Router();
  api.use(withToken(token), express.json({ limit: '10kb' }));
  const targets = () => Promise.all(folders.map((folder) => inspect(folder, reserve)));

  api.get('/targets', async (_request, response) => {
    response.json(await targets());
  });

  api.get('/devices', async (_request, response) => {
    response.json(await pluggedIn(sysfs));
  });

  api.post('/runs', async (request, response) => {
    const wanted = RunRequest.safeParse(request.body);
    if (!wanted.success) throw new Problem(400, 'The run cannot be started', problemsOf(wanted.error).join('; '));
    const target = (await targets()).find((t) => t.id === wanted.data.target);
    if (!target) throw new Problem(404, 'No such folder', 'Choose one of the folders the server was started with.');
    const run = await runs.start(target, wanted.data);
    response.status(201).json({ id: run.id });
  });

  api.get('/runs/:id/events', (request, response) => stream(response, runs.find(request.params.id)));

  api.delete('/runs/:id', (request, response) => {
    runs.find(request.params.id).abort();
    response.status(202).json({});
  });

  api.use((request) => {
    throw new Problem(404, 'No such thing', `${request.method} ${request.originalUrl} is nothing Kymar offers.`);
  });
  app.use('/api', api);

  const page = readFileSync(join(web, 'index.html'), 'utf8').replace('__KYMAR_TOKEN__', token);
  // Compressed when built: doing it at the first request would cost the first view a second.
  app.use('/assets', expressStaticGzip(join(web, 'assets'), { enableBrotli: true, orderPreference: ['br'], serveStatic: { immutable: true, maxAge: '1y', fallthrough: false } }));
  app.use(express.static(web, { index: false }));
  app.get('/{*any}', (_request, response) => {
    response.set('Cache-Control', 'no-store').type('html').send(page);
  });
  app.use(problems);
  return app;
}

/** Server-sent events until the run ends or the page goes away; a run goes on without its page. */
function stream(response: Response, run: ReturnType<Runs['find']>): void {
  response.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
  const leave = run.follow((event) => {
    response.write(`data: ${JSON.stringify(event)}\n\n`);
    if (event.type !== 'progress') response.end();
  });
  response.on('close', leave);
}
