package paringknife.server.shelf;

/** A file that can be chosen. */
record MediaFile(String name, long bytes, boolean isTranscript, boolean isBundle) {}
