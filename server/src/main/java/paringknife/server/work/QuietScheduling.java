package paringknife.server.work;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.task.ThreadPoolTaskSchedulerCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;

/** What is done again and again is not told again and again when the database is away. */
@Configuration
class QuietScheduling {
  private static final Logger LOG = LoggerFactory.getLogger(QuietScheduling.class);

  @Bean
  ThreadPoolTaskSchedulerCustomizer quietWhileTheDatabaseIsAway() {
    return scheduler -> {
      scheduler.setPoolSize(3);
      scheduler.setErrorHandler(
          e -> {
            if (e instanceof DataAccessException || e instanceof TransactionException) {
              LOG.debug("not done this time", e);
            } else {
              LOG.error("regular work failed", e);
            }
          });
    };
  }
}
