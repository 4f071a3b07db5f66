package paringknife.demo;

/**
 * Someone who speaks in a demo.
 *
 * @param letter how the script calls them
 * @param name shown in the transcript
 * @param flite flite's voice
 * @param stretch how slowly they speak; 1 is the voice's own pace
 */
public record Voice(char letter, String name, String flite, double stretch) {}
