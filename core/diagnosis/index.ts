export { CAUSES } from './causes';
export { diagnose, type Diagnosis, type Told } from './diagnose';
export { evidenceOf, logsOf, type Evidence } from './evidence';
export { hiddenCause } from './hidden';
export { type Hypothesis, type Site } from './hypothesis';
export { LOOKS } from './looks';
export { lookedAt, type Look } from './look';
export { nextTests, type NextTest, type Outcome } from './next';
export { groupsOf, HEALTHY, NONE, score, type Group, type Scored } from './score';
