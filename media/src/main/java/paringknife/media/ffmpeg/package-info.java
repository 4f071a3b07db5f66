/** What ffmpeg and ffprobe do for us: probing, ingest, rendering, measuring. */
@NullMarked
package paringknife.media.ffmpeg;

import org.jspecify.annotations.NullMarked;
