package paringknife.server.team;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.http.Cookie;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import paringknife.server.web.TeamDoor;

class SignedInByTest {
  private final TeamDoor door = mock(TeamDoor.class);
  private final SignedInBy signedIn = new SignedInBy(mock(Team.class), door);

  /** ASVS 5.0, 3.3.1 and 3.3.3; prefixes of RFC 6265bis. */
  @Test
  void behindAProxyThatEncryptsTheCookieNeverLeavesInTheClear() {
    when(door.isEncrypted()).thenReturn(true);
    assertThat(signedIn.cookie("t")).startsWith("__Host-paring=t;").contains("; Secure", "Path=/");
    assertThat(signedIn.cookie("t")).doesNotContain("Domain");
    MockHttpServletRequest request = new MockHttpServletRequest();
    request.setCookies(new Cookie("paring", "of another port"), new Cookie("__Host-paring", "t"));
    assertThat(signedIn.token(request)).contains("t");
  }

  @Test
  void signingOutTakesTheCookieAway() {
    assertThat(signedIn.cookie(null)).startsWith("paring=;").contains("Max-Age=0");
  }
}
