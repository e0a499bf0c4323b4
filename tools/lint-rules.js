/** Rules of this house that no linter brings along. */

/** Refuses `export * from`: a public face can be read only where every export is named. */
const namedExports = {
  create: (context) => ({
    ExportAllDeclaration(node) {
      context.report({ node, message: 'Name every export by hand, so that the public face can be read.' });
    },
  }),
};

/** Refuses `new Date()`: what is worked out there takes the moment as an argument. */
const noClock = {
  create: (context) => ({
    NewExpression(node) {
      if (node.callee.type === 'Identifier' && node.callee.name === 'Date' && node.arguments.length === 0)
        context.report({ node, message: 'There is no clock here: take the moment as an argument.' });
    },
  }),
};

/**
 * Refuses names of modules by pattern, wherever they stand: imports, exports from, types and dynamic imports.
 * Its option is a list of `{ regex, message }`.
 */
const noForbiddenImport = {
  meta: {
    schema: [
      {
        type: 'array',
        items: {
          type: 'object',
          properties: { regex: { type: 'string' }, message: { type: 'string' } },
          required: ['regex', 'message'],
          additionalProperties: false,
        },
      },
    ],
  },
  create(context) {
    const patterns = context.options[0].map(({ regex, message }) => ({ regex: new RegExp(regex), message }));
    const look = ({ source }) => {
      if (source?.type !== 'Literal' || typeof source.value !== 'string') return;
      for (const { regex, message } of patterns)
        if (regex.test(source.value)) context.report({ node: source, message });
    };
    return {
      ImportDeclaration: look,
      ExportNamedDeclaration: look,
      ExportAllDeclaration: look,
      ImportExpression: look,
      TSImportType: look,
    };
  },
};

export default {
  meta: { name: 'pincer' },
  rules: {
    'named-exports': namedExports,
    'no-clock': noClock,
    'no-forbidden-import': noForbiddenImport,
  },
};
