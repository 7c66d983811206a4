export { columnsOf, type Column, type Holds } from './column';
export { propertyOf, type Property } from './property';
export { toRows } from './table';
export { fromRows, type Problem, type FromRows } from './rows';
export { compare, differencesOf, type Change, type Difference } from './merge';
export { safeRows } from './cell';
export { draftDrive, type Draft } from './draft';
export { readLibrary, writeLibrary, LIBRARY_VERSION } from './file';
