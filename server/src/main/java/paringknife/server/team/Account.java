package paringknife.server.team;

import java.io.Serializable;
import java.security.Principal;

/**
 * Somebody who may work here from another machine.
 *
 * @param name that they sign in with, and that others see
 */
record Account(long id, String name, Role role) implements Principal, Serializable {
  @Override
  public String getName() {
    return name;
  }
}
