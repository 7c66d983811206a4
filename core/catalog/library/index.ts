export { columnsOf } from './column';
export { toRows } from './table';
export { fromRows, type RowProblem, type FromRows } from './rows';
export { compare, differencesOf, type LibraryChange, type Difference } from './merge';
export { safeRows } from './cell';
export { draftDrive, type DriveDraft } from './draftdrive';
export { draftBridge } from './draftbridge';
export { draftCable } from './draftcable';
export { readLibrary, writeLibrary, LIBRARY_VERSION } from './file';
