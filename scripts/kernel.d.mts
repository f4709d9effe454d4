/** The kernel's bytes as text, compiled anew. */
export function compileKernel(): string;
