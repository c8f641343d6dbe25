import { ESLintUtils } from '@typescript-eslint/utils'
import ts from 'typescript'

/**
 * Names from data are never read from a plain object by brackets, destructuring or `in`: a region called `constructor`
 * would find what every object inherits. `ownValue` reads own properties only; a Map does too.
 */
export const noInheritedNames = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { ownValue: 'A name from data may be inherited: read it with ownValue, or from a Map.' },
  },
  create(context) {
    const services = ESLintUtils.getParserServices(context)
    const checker = services.program.getTypeChecker()

    /** An object whose keys are any text; lists, typed arrays and records over known words are not. */
    const isByAnyName = (node) => {
      const type = checker.getNonNullableType(services.getTypeAtLocation(node))
      return (type.isUnion() ? type.types : [type]).some((each) =>
        checker.getIndexInfosOfType(each).some(({ keyType }) => keyType.flags & ts.TypeFlags.String),
      )
    }
    const isWritten = (node) =>
      (node.parent.type === 'AssignmentExpression' && node.parent.left === node) ||
      (node.parent.type === 'UnaryExpression' && node.parent.operator === 'delete')
    const isFixed = ({ type }) => type === 'Literal'
    return {
      MemberExpression(node) {
        if (!node.computed || isFixed(node.property) || isWritten(node)) return
        if (isByAnyName(node.object)) context.report({ node, messageId: 'ownValue' })
      },
      'ObjectPattern > Property[computed=true]'(node) {
        if (!isFixed(node.key) && isByAnyName(node.parent)) context.report({ node, messageId: 'ownValue' })
      },
      "BinaryExpression[operator='in']"(node) {
        if (!isFixed(node.left)) context.report({ node, messageId: 'ownValue' })
      },
    }
  },
}
