import base from './vitest.fast.config';
export default { ...base, test: { ...base.test, pool: 'forks', maxWorkers: 1, execArgv: ['--import', 'tsx', '--cpu-prof', '--cpu-prof-dir=/tmp/prof', '--cpu-prof-interval=2000'] } };
