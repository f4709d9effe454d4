/** The tracer has no types of its own; these are the few that are used. */
declare const tracer: {
  imagedataToTracedata(image: { width: number; height: number; data: Uint8ClampedArray }, options: object): unknown;
};
export default tracer;
