export { cannot, dataMembers, survives, streamMembers, smallWriteCost, smallWriteTurns, randomMembers, writeMultiple, STACK_COST, throughArray, membersTogether, usable, type Layout } from './layout';
export { yearlyFailure, unreadable, unreadableTwice, rebuildReads, rebuildFails, lossOver, rebuildTime, probability, efficiencyOf } from './risk';
