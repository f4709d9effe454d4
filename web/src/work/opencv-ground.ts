/** OpenCV's script takes its settings from a global of this name, and in a strict module it must be there before it runs. */
export const settings = {};
(globalThis as unknown as { Module: object }).Module = settings;
