package paringknife.demo;

/**
 * A word of the demo with its exact time, seconds.
 *
 * @param spoken as the script has it
 * @param written as the transcript has it, mistaken here and there
 */
record SpokenWord(String spoken, String written, double start, double end, char speaker) {}
