import { spawnSync } from 'node:child_process';
import type { Point } from '@yosomi/core/plane';

/** Pixels of the cover and of the frame that it is put into. */
export const FROM = { width: 1600, height: 2560 } as const;
export const INTO = { width: 2400, height: 3000 } as const;

/** Where the cover's corners come to lie: one steep view. */
export const STEEP: readonly Point[] = [
  { x: 180, y: 60 },
  { x: 2260, y: 900 },
  { x: 2230, y: 2080 },
  { x: 130, y: 2930 },
];

/** CPU milliseconds (user and system) of a piece of work in this process. */
export function cpu(run: () => void): number {
  const from = process.cpuUsage();
  run();
  const used = process.cpuUsage(from);
  return (used.user + used.system) / 1000;
}

/** The general tool the renderer is held against, or null where it is not installed. */
export function magick(): string | null {
  for (const name of ['magick', 'convert']) {
    const found = spawnSync(name, ['-version'], { encoding: 'utf8' });
    if (found.status === 0 && /ImageMagick/.test(found.stdout)) return name;
  }
  return null;
}

const SCRIPT = `import resource,subprocess,sys
subprocess.run(sys.argv[1:],check=True)
u=resource.getrusage(resource.RUSAGE_CHILDREN)
sys.stderr.write(str((u.ru_utime+u.ru_stime)*1000))`;

function distort(tool: string, picture: string, quad: readonly Point[], linear: boolean, to: string): [number, Buffer] {
  const { width, height } = FROM;
  const corners = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ];
  const points = quad.map((q, i) => `${corners[i].join(',')} ${q.x},${q.y}`).join('  ');
  const wanted = [
    '-alpha',
    'set',
    ...(linear ? ['-colorspace', 'RGB'] : []),
    '-virtual-pixel',
    'transparent',
    '-define',
    `distort:viewport=${INTO.width}x${INTO.height}+0+0`,
    '-distort',
    'Perspective',
    points,
    ...(linear ? ['-colorspace', 'sRGB'] : []),
  ];
  const done = spawnSync('python3', ['-c', SCRIPT, tool, picture, ...wanted, '-depth', '8', to], {
    maxBuffer: 1 << 27,
    env: { ...process.env, MAGICK_THREAD_LIMIT: '1', OMP_NUM_THREADS: '1' },
  });
  if (done.status !== 0) throw new Error(done.stderr.toString());
  return [Number(done.stderr.toString()), done.stdout];
}

/** CPU milliseconds of ImageMagick's EWA perspective filter: one cover into one frame, one thread. */
export const ewa = (tool: string, picture: string, quad: readonly Point[], linear: boolean): number =>
  distort(tool, picture, quad, linear, 'NULL:')[0];

/** What it makes, as RGBA bytes. */
export const ewaPixels = (tool: string, picture: string, quad: readonly Point[], linear: boolean): Uint8ClampedArray =>
  new Uint8ClampedArray(distort(tool, picture, quad, linear, 'RGBA:-')[1]);
