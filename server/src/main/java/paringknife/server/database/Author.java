package paringknife.server.database;

import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;

/** Who does what is being done. */
public final class Author {
  private Author() {}

  /** The name they are signed in by; null at this machine, and for what goes on by itself. */
  public static @Nullable String name() {
    Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
    return signedIn == null ? null : signedIn.getName();
  }
}
