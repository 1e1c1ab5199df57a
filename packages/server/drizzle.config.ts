export default { dialect: 'postgresql', schema: './src/*/tables.ts', out: './drizzle' }
