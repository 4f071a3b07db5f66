package paringknife.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.sql.SQLException;
import java.util.Locale;
import org.apache.catalina.connector.ClientAbortException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.ServletRequestBindingException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.speech.UnusableModel;
import paringknife.media.store.NoRoom;
import paringknife.media.transcripts.UnreadableTranscript;
import paringknife.server.episodes.DataFolder;
import paringknife.server.web.Answers.Problem;

/** Turns what went wrong into a message a producer understands. */
@RestControllerAdvice
class Problems {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  private final DataFolder data;

  Problems(DataFolder data) {
    this.data = data;
  }

  @ExceptionHandler(NotThere.class)
  ResponseEntity<Problem> notThere(NotThere e) {
    return answer(HttpStatus.NOT_FOUND, e.getMessage());
  }

  @ExceptionHandler(TooOften.class)
  ResponseEntity<Problem> tooOften(TooOften e) {
    return answer(HttpStatus.TOO_MANY_REQUESTS, e.getMessage());
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
    return answer(HttpStatus.UNPROCESSABLE_ENTITY, told(e));
  }

  /** Paths of the server are not for showing; a producer's own file has a name. */
  private String told(RuntimeException e) {
    String message = String.valueOf(e.getMessage());
    return message
        .replace(data.media().toString() + "/", "")
        .replace(data.root().toString() + "/", "");
  }

  @ExceptionHandler(BodyRules.BadBody.class)
  ResponseEntity<Problem> badBody(BodyRules.BadBody e) {
    return answer(HttpStatus.BAD_REQUEST, e.getMessage());
  }

  @ExceptionHandler(BodyRules.TooMuch.class)
  ResponseEntity<Problem> tooMuch(BodyRules.TooMuch e) {
    return answer(HttpStatus.CONTENT_TOO_LARGE, e.getMessage());
  }

  @ExceptionHandler(HttpMessageNotReadableException.class)
  ResponseEntity<Problem> unreadable(HttpMessageNotReadableException e) {
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      if (cause instanceof BodyLimit.BodyTooLarge) {
        return answer(HttpStatus.CONTENT_TOO_LARGE, cause.getMessage());
      }
      if (cause instanceof IllegalArgumentException && cause != e) {
        return answer(HttpStatus.UNPROCESSABLE_ENTITY, cause.getMessage());
      }
    }
    return answer(HttpStatus.BAD_REQUEST, "The request was not understood.");
  }

  @ExceptionHandler({TypeMismatchException.class, ServletRequestBindingException.class})
  ResponseEntity<Problem> notUnderstood(Exception e) {
    return answer(HttpStatus.BAD_REQUEST, "The request was not understood.");
  }

  @ExceptionHandler(NoResourceFoundException.class)
  ResponseEntity<Problem> noSuchPage(NoResourceFoundException e) {
    return answer(HttpStatus.NOT_FOUND, "There is nothing here.");
  }

  @ExceptionHandler(NoRoom.class)
  ResponseEntity<Problem> noRoom(NoRoom e) {
    return answer(HttpStatus.INSUFFICIENT_STORAGE, e.getMessage());
  }

  /** Who asked has gone; there is nobody to answer. */
  @ExceptionHandler({AsyncRequestNotUsableException.class, ClientAbortException.class})
  void gone(IOException e) {
    LOG.debug("a client left", e);
  }

  @ExceptionHandler(Exception.class)
  ResponseEntity<Problem> anythingElse(Exception e, HttpServletRequest request) {
    if (e instanceof ErrorResponse known) {
      return answer(known.getStatusCode(), meaning(known.getStatusCode()));
    }
    if (DatabaseTrouble.isOutOfReach(e)) {
      LOG.warn("the database is out of reach: {}", e.getMessage());
      return answer(
          HttpStatus.SERVICE_UNAVAILABLE,
          "The database does not answer at the moment. Nothing was changed; it is being brought"
              + " back.");
    }
    if (isDiskFull(e)) {
      return answer(HttpStatus.INSUFFICIENT_STORAGE, NoRoom.message(data.root()));
    }
    if (e instanceof DataIntegrityViolationException) {
      LOG.info("refused by the database: {}", e.getMessage());
      return answer(
          HttpStatus.UNPROCESSABLE_ENTITY,
          "This cannot be kept: something in it is too long, is there already, or belongs to"
              + " something that is not there any more.");
    }
    LOG.error("{} {} failed", request.getMethod(), request.getRequestURI(), e);
    return answer(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "Something went wrong on the server. Nothing was changed.");
  }

  private static String meaning(HttpStatusCode status) {
    return switch (status.value()) {
      case 405 -> "This cannot be done here.";
      case 406 -> "This is not to be had in the form asked for.";
      case 415 -> "This form of request is not taken here.";
      default -> "The request was not understood.";
    };
  }

  private static boolean isDiskFull(Throwable e) {
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      String message = String.valueOf(cause.getMessage()).toLowerCase(Locale.ROOT);
      boolean written = cause instanceof IOException || cause instanceof SQLException;
      if (written
          && (message.contains("no space left")
              || message.contains("disk full")
              || message.contains("errno: 28"))) {
        return true;
      }
    }
    return false;
  }

  private static ResponseEntity<Problem> answer(HttpStatusCode status, String message) {
    return ResponseEntity.status(status).body(new Problem(message));
  }
}
