export { columnsOf, type Column, type Holds } from './column';
export { propertyOf, type Property } from './property';
export { toRows, fromRows, type Problem, type FromRows } from './table';
export { compare, type Change } from './merge';
export { draftDrive, type Draft } from './draft';
export { readLibrary, writeLibrary, LIBRARY_VERSION } from './file';
