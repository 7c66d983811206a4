import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { root } from '../lib.mjs';

/** Names of the kinds of activity: each is a folder. */
const KINDS = new Set(
  readdirSync(join(root, 'core/job/kinds'), { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name),
);

/** Whether a value is the kind of an activity, whatever it is called: nothing but names of kinds, and several of them. */
const isKind = (type) => {
  const members = type.isUnion() ? type.types : [type];
  return members.length > 1 && members.every((one) => one.isStringLiteral() && KINDS.has(one.value));
};

/**
 * Nothing outside the folders named `kinds` asks which kind an activity is: what differs from kind to kind stands in the kind's own
 * descriptor, so that another one is not forgotten.
 */
export const rule = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { asks: 'Ask the kind’s descriptor (core/job/kinds), not which kind it is.' },
  },
  create(context) {
    const { program, esTreeNodeToTSNodeMap } = context.sourceCode.parserServices;
    const checker = program.getTypeChecker();
    const typeOf = (node) => {
      const type = checker.getTypeAtLocation(esTreeNodeToTSNodeMap.get(node));
      return type.flags & ts.TypeFlags.TypeParameter ? (type.getConstraint() ?? type) : type;
    };
    const check = (node, asked) =>
      asked.some((one) => isKind(typeOf(one))) && context.report({ node, messageId: 'asks' });
    return {
      BinaryExpression: (node) => /^[!=]==?$/.test(node.operator) && check(node, [node.left, node.right]),
      SwitchStatement: (node) => check(node, [node.discriminant]),
      'CallExpression[callee.property.name=/^(includes|has)$/]': (node) =>
        check(node, node.arguments.slice(0, 1)),
    };
  },
};
