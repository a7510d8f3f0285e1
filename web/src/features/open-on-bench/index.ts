export { OpenOnBenchNotice } from './OpenOnBenchNotice';
export { useOpenOnBench } from './useOpenOnBench';
