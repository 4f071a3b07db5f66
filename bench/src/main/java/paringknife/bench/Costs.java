package paringknife.bench;

/**
 * What work takes on this machine while nothing else does, in seconds for a second of what is
 * worked on.
 *
 * @param ingest for a second of a recording
 * @param render for a second of an upright film of 1080x1920
 */
record Costs(double ingest, double render) {}
