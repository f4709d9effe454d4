import { type Result, fail } from '@yosomi/core/base';
import { type Arguments, parseArguments } from './arguments';
import { type Command, type Outcome, done } from './command';
import { canWrite, samePlace } from './files';
import { COMMANDS } from './commands';
import { exitCodeOf, sentence } from './sentences';

const HELP = `yosomi: covers, mockups and ebook files from the command line

${COMMANDS.map((c) => `  ${c.usage}`).join('\n')}

Exit codes: 0 done or passed, 1 refused or failed a check, 2 the input could not be read.
`;

/** Where a command writes. */
export type Streams = { out(text: string): void; err(text: string): void };

/** Runs one command line; answers the exit code. Never throws: a bug is one sentence too. */
export async function run(argv: readonly string[], streams: Streams): Promise<0 | 1 | 2> {
  try {
    return await runCommand(argv, streams);
  } catch (error: unknown) {
    streams.err(`Stopped by a fault in the program: ${error instanceof Error ? error.message : 'unknown'}.\n`);
    return 1;
  }
}

/**
 * What is to be written, looked at before the work begins. Faults: `ending-wrong`, `out-twice`, and those of `canWrite`.
 */
function placesOf({ flags }: Arguments, { writes = {} }: Command): Result<Outcome> {
  const places: string[] = [];
  for (const [flag, endings] of Object.entries(writes)) {
    const file = flags.get(flag);
    if (file === undefined) continue;
    const ending = /\.(\w+)$/.exec(file)?.[1].toLowerCase() ?? '';
    if (endings && !endings.includes(ending))
      return fail('ending-wrong', { flag, found: ending, wanted: endings.join(', ') });
    if (places.some((one) => samePlace(one, file))) return fail('out-twice', { file });
    const can = canWrite(file);
    if (!can.ok) return can;
    places.push(file);
  }
  return done();
}

async function runCommand(argv: readonly string[], { out, err }: Streams): Promise<0 | 1 | 2> {
  if (argv.length === 0 || argv[0] === 'help' || argv[0] === '--help') {
    out(HELP);
    return 0;
  }
  const command = COMMANDS.find((c) => c.name.split(' ').every((part, i) => argv[i] === part));
  if (!command) {
    err(`${sentence({ code: 'command-unknown', data: { name: argv[0] } })}\n`);
    return 2;
  }
  const args = parseArguments(argv.slice(command.name.split(' ').length), command);
  const places = args.ok ? placesOf(args.value, command) : args;
  const outcome = args.ok && places.ok ? await command.run(args.value, (line) => err(`${line}\n`)) : places;
  if (!outcome.ok) {
    err(`${sentence(outcome.fault)}\n`);
    return exitCodeOf(outcome.fault);
  }
  if (outcome.value.print) out(`${outcome.value.print}\n`);
  return outcome.value.passed ? 0 : 1;
}
