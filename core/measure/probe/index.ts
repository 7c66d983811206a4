export { Probe, type ProbeBudget, type ProbeEnd, type ProbeResult, type ProbeStep } from './probe';
export { RigDrive, truthOf, type RigNoise, type RigTruth, type Written } from './rigdrive';
