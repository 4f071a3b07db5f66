package paringknife.server.outbox;

import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.io.text.ICalWriter;
import biweekly.property.Status;
import biweekly.util.Duration;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import paringknife.core.outbox.PostingState;

/** The outbox as an iCalendar file (RFC 5545), for whatever calendar a producer keeps. */
final class ScheduleFile {
  private static final int MINUTES = 15;

  /** Lines have 75 octets (RFC 5545, 3.1); a character of UTF-16 takes up to three in UTF-8. */
  private static final int LINE = 25;

  private ScheduleFile() {}

  /** One entry for each post, at the time at which it is due. */
  static String write(List<OutboxController.Posting> postings) {
    ICalendar calendar = new ICalendar();
    calendar.setProductId("-//Paring Knife//Outbox//EN");
    for (OutboxController.Posting posting : postings) {
      VEvent event = new VEvent();
      event.setUid("posting-" + posting.id() + "@paring-knife");
      event.setDateTimeStamp(Date.from(Instant.now()));
      event.setDateStart(Date.from(posting.dueAt()));
      event.setDuration(Duration.builder().minutes(MINUTES).build());
      event.setSummary(posting.clip() + ": " + posting.destination());
      event.setDescription(
          posting.spec()
              + "\n"
              + posting.episode()
              + (posting.reasons().isEmpty() ? "" : "\n" + String.join("\n", posting.reasons())));
      event.setStatus(status(posting.state()));
      event.setTransparency(true);
      calendar.addEvent(event);
    }
    StringWriter text = new StringWriter();
    try (ICalWriter writer = new ICalWriter(text, ICalVersion.V2_0)) {
      writer.getVObjectWriter().getFoldedLineWriter().setLineLength(LINE);
      writer.write(calendar);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  private static Status status(PostingState state) {
    return switch (state) {
      case SCHEDULED, SENDING -> Status.tentative();
      case ACCEPTED -> Status.confirmed();
      case REFUSED, MISSED, WITHDRAWING, WITHDRAWN -> Status.cancelled();
    };
  }
}
