package paringknife.server.team;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.writing.OneLine;
import paringknife.server.events.SignedOut;
import paringknife.server.secrets.KeptPasswords;
import paringknife.server.secrets.Token;
import paringknife.server.secrets.Tries;
import paringknife.server.web.NotThere;
import paringknife.server.web.TooOften;

/** Who may work here: invited, signed in, given another role, signed out and removed. */
@Service
public class Team {
  static final Duration UNUSED = Duration.ofHours(12);
  static final Duration LONGEST = Duration.ofDays(14);
  private static final Duration INVITED = Duration.ofDays(7);
  private static final int LONGEST_NAME = 60;

  private final AccountStore store;
  private final KeptPasswords passwords;
  private final ApplicationEventPublisher told;

  /** So that whoever guesses somebody's password from elsewhere does not keep them out. */
  private final Tries byNameAndAddress = new Tries(10);

  private final Tries byName = new Tries(60);
  private final Tries byAddress = new Tries(30);

  Team(AccountStore store, KeptPasswords passwords, ApplicationEventPublisher told) {
    this.store = store;
    this.passwords = passwords;
    this.told = told;
  }

  /**
   * Signs in.
   *
   * @param from the address that somebody comes from
   * @return what they are known by from now on
   * @throws WrongPassword also when there is nobody of that name
   */
  String signIn(String name, String password, String from) {
    if (!byNameAndAddress.mayTry(name + "\n" + from)
        || !byAddress.mayTry(from)
        || !byName.mayTry(name)) {
      throw new TooOften("That was tried too often; wait a minute.");
    }
    Optional<Account> account = store.byName(name.strip());
    if (account.isEmpty()) {
      passwords.isNobodys(password);
      throw new WrongPassword();
    }
    if (!passwords.isRight(password, store.password(account.get().id()))) {
      throw new WrongPassword();
    }
    return begin(account.get().id());
  }

  private String begin(long account) {
    String token = Token.fresh();
    store.begin(token, account);
    return token;
  }

  Optional<Account> signedIn(String token) {
    return store.signedIn(token, UNUSED, LONGEST);
  }

  void signOut(String token) {
    Optional<Account> account = signedIn(token);
    store.end(token);
    account.ifPresent(a -> tell(a.name()));
  }

  /** Lets open pages of somebody ask again who they are; those still signed in go on. */
  private void tell(String name) {
    told.publishEvent(new SignedOut(name));
  }

  /**
   * Changes one's own password; whoever else is signed in by it is signed out.
   *
   * @param token that stays
   */
  void changePassword(Account account, String old, String wanted, String token) {
    if (!byNameAndAddress.mayTry(account.name())) {
      throw new TooOften("That was tried too often; wait a minute.");
    }
    if (!passwords.isRight(old, store.password(account.id()))) {
      throw new IllegalArgumentException("That is not the password you have now.");
    }
    PasswordRules.check(wanted, account.name());
    store.changePassword(account.id(), passwords.kept(wanted));
    store.forgetResets(account.id());
    store.endAll(account.id(), token);
    tell(account.name());
  }

  /**
   * Invites somebody.
   *
   * @return what the link ends with
   */
  String invite(Role role) {
    String token = Token.fresh();
    store.invite(token, role, null, Instant.now().plus(INVITED));
    return token;
  }

  /** A link by which somebody who has forgotten their password gives themselves another. */
  String newPassword(long id) {
    Account account = account(id);
    String token = Token.fresh();
    store.forgetResets(id);
    store.invite(token, account.role(), id, Instant.now().plus(INVITED));
    return token;
  }

  AccountStore.Invitation invitation(String token) {
    return store.invitation(token).orElseThrow(Team::gone);
  }

  private static NotThere gone() {
    return new NotThere(
        "This invitation was used, has expired or was taken back. Ask for another.");
  }

  /** What somebody is called whose new password an invitation is for; null for somebody new. */
  @Nullable String nameOf(AccountStore.Invitation invitation) {
    Long id = invitation.account();
    return id == null ? null : account(id).name();
  }

  /**
   * Follows an invitation.
   *
   * @param name what somebody new wants to be called
   * @return what they are known by from now on
   */
  @Transactional
  public String follow(String token, String name, String password) {
    AccountStore.Invitation invitation = invitation(token);
    Long known = invitation.account();
    String called = known == null ? name(name) : account(known).name();
    PasswordRules.check(password, called);
    String kept = passwords.kept(password);
    if (!store.useUp(invitation.id())) {
      throw gone();
    }
    if (known == null) {
      return begin(added(called, kept, invitation.role()).id());
    }
    store.changePassword(known, kept);
    end(known);
    return begin(known);
  }

  private static String name(String wanted) {
    String name = OneLine.of(wanted);
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw new IllegalArgumentException("A name has 1 to " + LONGEST_NAME + " characters.");
    }
    return name;
  }

  private Account added(String name, String kept, Role role) {
    try {
      return store.add(name, kept, role);
    } catch (DuplicateKeyException e) {
      throw new IllegalArgumentException("Somebody here is called " + name + " already.");
    }
  }

  @Transactional
  public void changeRole(long id, Role role) {
    Account account = account(id);
    if (role != Role.OWNER) {
      refuseLastOwner(account);
    }
    store.changeRole(id, role);
  }

  /** Removes somebody; what they did stays, under their name. */
  @Transactional
  public void remove(long id) {
    refuseLastOwner(account(id));
    end(id);
    store.remove(id);
  }

  private void refuseLastOwner(Account account) {
    store.hold();
    if (account.role() == Role.OWNER && !store.isAnOwnerBesides(account.id())) {
      throw new IllegalArgumentException(
          account.name() + " is the only owner; make somebody else one first.");
    }
  }

  /** Signs somebody out wherever they are. */
  void end(long id) {
    store.endAll(id, null);
    tell(account(id).name());
  }

  private Account account(long id) {
    return store.byId(id).orElseThrow(() -> new NotThere("This account is not there any more."));
  }

  /**
   * An invitation for the first owner, in place of those that were given out before.
   *
   * @return what its link ends with; empty where there is an owner
   */
  public Optional<String> firstOwner() {
    if (store.isAnOwnerBesides(0)) {
      return Optional.empty();
    }
    store.forgetInvitations();
    return Optional.of(invite(Role.OWNER));
  }

  @Scheduled(fixedDelay = 3_600_000, initialDelay = 60_000)
  void sweep() {
    store.sweep(UNUSED, LONGEST);
  }
}
