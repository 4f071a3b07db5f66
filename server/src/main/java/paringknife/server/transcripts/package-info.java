/** Transcripts: correcting, undo and redo, finding across the shelf, export. */
@NullMarked
package paringknife.server.transcripts;

import org.jspecify.annotations.NullMarked;
