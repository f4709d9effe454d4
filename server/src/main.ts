import { join } from 'node:path';
import { ROOT } from '@yosomi/node-kit';
import { makeServer } from './app';

const port = Number(process.env.PORT ?? 4173);
const app = await makeServer({
  web: join(ROOT, 'build/web'),
  demo: process.env.YOSOMI_DEMO === '0' ? null : join(ROOT, 'build/demo'),
});
try {
  await app.listen({ host: '127.0.0.1', port });
  console.log(`Yosomi is at http://127.0.0.1:${port}`);
} catch (error) {
  const busy = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
  console.error(busy ? `Port ${port} is in use. Set PORT to another number and try again.` : String(error));
  process.exit(1);
}
