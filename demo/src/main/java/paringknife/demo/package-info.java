/**
 * Makes the demo episodes: script, speech, sound, drawn people and pictures. All of it is invented.
 */
@NullMarked
package paringknife.demo;

import org.jspecify.annotations.NullMarked;
