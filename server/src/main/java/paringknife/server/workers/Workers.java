package paringknife.server.workers;

import static paringknife.server.database.generated.Tables.WORKER;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ApplicationContext;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.server.database.Utc;

/**
 * Who takes a share of the work. Each gives a sign of itself every few seconds; one that has not
 * for a while has ended or cannot reach the database, and one that ends in order says so.
 */
@Component
public class Workers {
  private static final Logger LOG = LoggerFactory.getLogger(Workers.class);
  private static final long SIGN_MS = 3_000;

  /** No sign for so long, and others take up what it was doing. */
  private static final Duration SILENCE = Duration.ofSeconds(10);

  /** No sign for so long, and it is not spoken of any more. */
  private static final Duration FORGOTTEN = Duration.ofHours(1);

  private final DSLContext db;
  private final String name;
  private final int hands;
  private final boolean serves;
  private final LocalDateTime startedAt = Utc.now();

  Workers(
      DSLContext db,
      @Value("${db-scheduler.scheduler-name}") String name,
      @Value("${db-scheduler.threads}") int hands,
      ApplicationContext context) {
    this.db = db;
    this.name = name;
    this.hands = hands;
    this.serves = context instanceof WebServerApplicationContext;
  }

  /**
   * One of them.
   *
   * @param name machine and process
   * @param serves whether it serves pages too
   * @param hands how many tasks it does at a time
   * @param seenAt when it gave a sign last
   */
  public record Worker(String name, boolean serves, int hands, Instant startedAt, Instant seenAt) {
    /** Whether it has given a sign of late. */
    public boolean isHeardOf() {
      return seenAt.isAfter(Instant.now().minus(SILENCE));
    }
  }

  /** Those that are not forgotten, by their names. */
  public List<Worker> all() {
    return db.selectFrom(WORKER)
        .orderBy(WORKER.SERVES.desc(), WORKER.NAME)
        .fetch(
            r ->
                new Worker(
                    r.get(WORKER.NAME),
                    r.get(WORKER.SERVES),
                    r.get(WORKER.HANDS),
                    Utc.instant(r.get(WORKER.STARTED_AT)),
                    Utc.instant(r.get(WORKER.SEEN_AT))));
  }

  /** How many tasks all that are heard of do at a time; at least this one's. */
  public int hands() {
    return Math.max(hands, all().stream().filter(Worker::isHeardOf).mapToInt(Worker::hands).sum());
  }

  @Scheduled(fixedDelay = SIGN_MS)
  void giveASign() {
    db.insertInto(WORKER)
        .set(WORKER.NAME, name)
        .set(WORKER.SERVES, serves)
        .set(WORKER.HANDS, hands)
        .set(WORKER.STARTED_AT, startedAt)
        .set(WORKER.SEEN_AT, Utc.now())
        .onDuplicateKeyUpdate()
        .set(WORKER.SEEN_AT, Utc.now())
        .execute();
    db.deleteFrom(WORKER).where(WORKER.SEEN_AT.lt(Utc.now().minus(FORGOTTEN))).execute();
  }

  @PreDestroy
  void sayGoodbye() {
    try {
      db.deleteFrom(WORKER).where(WORKER.NAME.eq(name)).execute();
    } catch (DataAccessException e) {
      LOG.debug("the database is gone already", e);
    }
  }
}
