import { type Result, fail } from '@yosomi/core/base';
import { type Arguments, parseArguments } from './arguments';
import { type Command, type Outcome, done } from './command';
import { canWrite, samePlace } from './files';

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

/** Runs a command with what stands after its name. Faults: those of `parseArguments`, of what is to be written, and of the command. */
export async function runWith(
  command: Command,
  argv: readonly string[],
  say: (line: string) => void,
): Promise<Result<Outcome>> {
  const args = parseArguments(argv, command);
  const places = args.ok ? placesOf(args.value, command) : args;
  return args.ok && places.ok ? command.run(args.value, say) : (places as Result<Outcome>);
}
