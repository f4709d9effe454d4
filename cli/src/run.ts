import { runWith } from './command-line';
import { COMMANDS } from './commands';
import { jobs } from './jobs';
import { queue, work } from './queue-commands';
import { exitCodeOf, sentence } from './sentences';

const ALL = [...COMMANDS, jobs, work, queue];

const HELP = `yosomi: covers, mockups and ebook files from the command line

${ALL.map((c) => `  ${c.usage}`).join('\n')}

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

async function runCommand(argv: readonly string[], { out, err }: Streams): Promise<0 | 1 | 2> {
  if (argv.length === 0 || argv[0] === 'help' || argv[0] === '--help') {
    out(HELP);
    return 0;
  }
  const command = ALL.find((c) => c.name.split(' ').every((part, i) => argv[i] === part));
  if (!command) {
    err(`${sentence({ code: 'command-unknown', data: { name: argv[0] } })}\n`);
    return 2;
  }
  const outcome = await runWith(command, argv.slice(command.name.split(' ').length), (line) => err(`${line}\n`));
  if (!outcome.ok) {
    err(`${sentence(outcome.fault)}\n`);
    return exitCodeOf(outcome.fault);
  }
  if (outcome.value.print) out(`${outcome.value.print}\n`);
  return outcome.value.passed ? 0 : 1;
}
