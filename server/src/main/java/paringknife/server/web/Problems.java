package paringknife.server.web;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.speech.UnusableModel;
import paringknife.media.transcripts.UnreadableTranscript;

/** Turns what went wrong into a message a producer understands. */
@RestControllerAdvice
class Problems {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  /** The body of every refusal. */
  record Problem(String message) {}

  @ExceptionHandler(NotThere.class)
  ResponseEntity<Problem> notThere(NotThere e) {
    return answer(HttpStatus.NOT_FOUND, e.getMessage());
  }

  @ExceptionHandler({NotYet.class, Outdated.class})
  ResponseEntity<Problem> conflict(RuntimeException e) {
    return answer(HttpStatus.CONFLICT, e.getMessage());
  }

  @ExceptionHandler({
    IllegalArgumentException.class,
    UnusableRecording.class,
    UnusableModel.class,
    UnreadableTranscript.class
  })
  ResponseEntity<Problem> badInput(RuntimeException e) {
    return answer(HttpStatus.UNPROCESSABLE_ENTITY, e.getMessage());
  }

  @ExceptionHandler(HttpMessageNotReadableException.class)
  ResponseEntity<Problem> unreadable(HttpMessageNotReadableException e) {
    return answer(HttpStatus.BAD_REQUEST, "The request was not understood.");
  }

  @ExceptionHandler(org.springframework.dao.DataAccessResourceFailureException.class)
  ResponseEntity<Problem> database(Exception e) {
    LOG.error("database out of reach", e);
    return answer(
        HttpStatus.SERVICE_UNAVAILABLE,
        "The database does not answer. Nothing was changed; try again in a moment.");
  }

  private static ResponseEntity<Problem> answer(HttpStatus status, String message) {
    return ResponseEntity.status(status).body(new Problem(message));
  }
}
