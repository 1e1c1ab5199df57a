// Lint rules of this house's own, for what no rule of the linter says.

const noClock = {
  create(context) {
    return {
      NewExpression(node) {
        if (node.callee.type === 'Identifier' && node.callee.name === 'Date' && node.arguments.length === 0)
          context.report({ node, message: 'Core has no clock: take the time as an argument.' })
      },
    }
  },
}

export default { meta: { name: 'house' }, rules: { 'no-clock': noClock } }
