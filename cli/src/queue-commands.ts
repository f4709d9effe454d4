import { fail } from '@yosomi/core/base';
import { type Command, flag, wholeFlag } from './command';
import { MOST_THREADS, usualThreads } from './hands';

// The engine of the queue is read only by commands that use one.

export const work: Command = {
  name: 'work',
  usage:
    'work --queue redis://HOST [--threads N] [--until-empty]   (does the jobs of `run --queue`, on any machine that sees the files)',
  flags: ['queue', 'threads'],
  switches: ['until-empty'],
  async run(args, say) {
    const url = flag(args, 'queue');
    if (!url.ok) return url;
    const threads = wholeFlag(args, 'threads', 1, MOST_THREADS, usualThreads());
    if (!threads.ok) return threads;
    const { workOn } = await import('./queue-work');
    return workOn(url.value, threads.value, args.switches.has('until-empty'), say);
  },
};

export const queue: Command = {
  name: 'queue',
  usage: 'queue --queue redis://HOST [--retry | --forget]   (what lies in the queue, and what failed with its reason)',
  flags: ['queue'],
  switches: ['retry', 'forget'],
  async run(args) {
    const url = flag(args, 'queue');
    if (!url.ok) return url;
    const [retry, forget] = [args.switches.has('retry'), args.switches.has('forget')];
    if (retry && forget) return fail('queue-both');
    const { tellQueue } = await import('./queue-work');
    return tellQueue(url.value, retry ? 'retry' : forget ? 'forget' : null);
  },
};
