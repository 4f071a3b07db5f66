package paringknife.server.team;

import static org.assertj.core.api.Assertions.assertThat;
import static paringknife.server.database.generated.Tables.SIGNED_IN;

import java.time.Duration;
import java.time.Instant;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.RunningApplication;
import paringknife.server.database.Utc;
import paringknife.server.secrets.Token;

class AccountStoreTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private AccountStore store;
  private Team team;
  private Account account;
  private final String token = Token.fresh();

  @BeforeEach
  void signIn() {
    store = APP.part(AccountStore.class);
    team = APP.part(Team.class);
    account = store.add("Somebody " + Token.fresh(), "kept", Role.EDITOR);
    store.begin(token, account.id());
  }

  private void wereItBegun(Duration ago, Duration seenAgo) {
    APP.part(DSLContext.class)
        .update(SIGNED_IN)
        .set(SIGNED_IN.BEGAN_AT, Utc.now().minus(ago))
        .set(SIGNED_IN.SEEN_AT, Utc.now().minus(seenAgo))
        .where(SIGNED_IN.TOKEN_HASH.eq(Token.kept(token)))
        .execute();
  }

  /** OWASP ASVS 5.0, 7.3.1: after half a day without use. */
  @Test
  void whatIsNotUsedEnds() {
    wereItBegun(Duration.ofDays(1), Duration.ofHours(11));
    assertThat(team.signedIn(token)).contains(account);
    wereItBegun(Duration.ofDays(1), Duration.ofHours(13));
    assertThat(team.signedIn(token)).isEmpty();
    team.sweep();
    wereItBegun(Duration.ZERO, Duration.ZERO);
    assertThat(team.signedIn(token)).as("gone for good").isEmpty();
  }

  /** OWASP ASVS 5.0, 7.3.2: after a fortnight in any case. */
  @Test
  void nothingLastsForEver() {
    wereItBegun(Duration.ofDays(13), Duration.ZERO);
    assertThat(team.signedIn(token)).contains(account);
    wereItBegun(Duration.ofDays(15), Duration.ZERO);
    assertThat(team.signedIn(token)).isEmpty();
  }

  @Test
  void aUseIsNoted() {
    wereItBegun(Duration.ofHours(3), Duration.ofHours(2));
    team.signedIn(token);
    assertThat(
            store.all().stream()
                .filter(a -> a.id() == account.id())
                .findFirst()
                .orElseThrow()
                .seenAt())
        .isAfter(Instant.now().minusSeconds(600));
  }

  @Test
  void anInvitationExpires() {
    String late = Token.fresh();
    store.invite(late, Role.VIEWER, null, Instant.now().minusSeconds(1));
    assertThat(store.invitation(late)).isEmpty();
    String open = Token.fresh();
    store.invite(open, Role.VIEWER, null, Instant.now().plusSeconds(600));
    assertThat(store.invitation(open)).isPresent();
  }
}
