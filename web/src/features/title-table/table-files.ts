/** Whether a file is a table, by its name: browsers give tables many types. */
export const isTableFile = (file: File): boolean => /\.(csv|tsv)$/i.test(file.name) || file.type === 'text/csv';
