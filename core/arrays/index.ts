export { cannot, dataMembers, survives, streamMembers, smallWriteCost, operationsFor, randomMembers, STRIP, writeMultiple, STACK_COST, throughArray, membersTogether, usable, type Layout } from './layout';
export { yearlyFailure, unreadable, unreadableTwice, rebuildReads, rebuildFails, lossOver, rebuildTime, probability, efficiencyOf } from './risk';
