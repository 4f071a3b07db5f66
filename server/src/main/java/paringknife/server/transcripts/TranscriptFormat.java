package paringknife.server.transcripts;

import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.TranscriptDelta;
import paringknife.server.database.StepFormat;
import tools.jackson.databind.json.JsonMapper;

/** Transcripts and their corrections as they are stored, in JSON. */
record TranscriptFormat(JsonMapper json) implements StepFormat<Transcript, TranscriptDelta> {
  @Override
  public String write(Transcript document) {
    return json.writeValueAsString(document);
  }

  @Override
  public Transcript document(String text) {
    return json.readValue(text, Transcript.class);
  }

  @Override
  public String writeDelta(TranscriptDelta delta) {
    return json.writeValueAsString(delta);
  }

  @Override
  public TranscriptDelta delta(String text) {
    return json.readValue(text, TranscriptDelta.class);
  }
}
