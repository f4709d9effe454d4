import { parseArguments } from './arguments';
import { COMMANDS } from './commands';
import { exitCodeOf, sentence } from './sentences';

const HELP = `yosomi: covers, mockups and ebook files from the command line

${COMMANDS.map((c) => `  ${c.usage}`).join('\n')}

Exit codes: 0 done or passed, 1 refused or failed a check, 2 the input could not be read.
`;

/** Runs one command line; answers the exit code. Never throws: a bug is one sentence too. */
async function run(argv: readonly string[]): Promise<0 | 1 | 2> {
  if (argv.length === 0 || argv[0] === 'help' || argv[0] === '--help') {
    process.stdout.write(HELP);
    return 0;
  }
  const command = COMMANDS.find((c) => c.name.split(' ').every((part, i) => argv[i] === part));
  if (!command) {
    process.stderr.write(`${sentence({ code: 'command-unknown', data: { name: argv[0] } })}\n`);
    return 2;
  }
  const args = parseArguments(argv.slice(command.name.split(' ').length), command);
  const outcome = args.ok ? await command.run(args.value) : args;
  if (!outcome.ok) {
    process.stderr.write(`${sentence(outcome.fault)}\n`);
    return exitCodeOf(outcome.fault);
  }
  if (outcome.value.print) process.stdout.write(`${outcome.value.print}\n`);
  return outcome.value.passed ? 0 : 1;
}

process.exitCode = await run(process.argv.slice(2)).catch((error: unknown) => {
  process.stderr.write(`Stopped by a fault in the program: ${error instanceof Error ? error.message : 'unknown'}.\n`);
  return 1 as const;
});
