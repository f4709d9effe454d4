import { basename } from 'node:path';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** Files that take longest, the longest first: begun last, one of them would keep a single worker busy at the end. */
const LONG = [
  'promos',
  'goldens',
  'reframe',
  'sketch',
  'encode',
  'subject-seen',
  'cli',
  'migrate',
  'corners',
  'mockup',
  'motion',
  'volumes',
  'made-marks',
  'cli-promo',
  'text-room',
  'recipe',
  'edition',
  'desk',
];

const place = ({ moduleId }: TestSpecification): number => {
  const at = LONG.indexOf(basename(moduleId, '.test.ts'));
  return at < 0 ? LONG.length : at;
};

export class LongFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    return [...files].sort((a, b) => place(a) - place(b));
  }
}
