package paringknife.server.team;

import static paringknife.server.database.generated.Tables.ACCOUNT;
import static paringknife.server.database.generated.Tables.INVITATION;
import static paringknife.server.database.generated.Tables.SIGNED_IN;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record3;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import paringknife.server.database.Utc;
import paringknife.server.secrets.Token;

/** Accounts, invitations and who is signed in, in the database. */
@Repository
class AccountStore {
  private static final Duration NOTED_EVERY = Duration.ofMinutes(1);

  private final DSLContext db;

  AccountStore(DSLContext db) {
    this.db = db;
  }

  /**
   * An account as an owner sees it.
   *
   * @param seenAt when it was last used, of those who are signed in; null for nobody
   */
  record AccountShown(long id, String name, Role role, @Nullable Instant seenAt) {}

  /**
   * A link that was given out and not used.
   *
   * @param account whose new password it is for; null for somebody new
   */
  record Invitation(long id, Role role, @Nullable Long account, Instant expiresAt) {}

  List<AccountShown> all() {
    var seen = DSL.max(SIGNED_IN.SEEN_AT);
    return db.select(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.ROLE, seen)
        .from(ACCOUNT)
        .leftJoin(SIGNED_IN)
        .on(SIGNED_IN.ACCOUNT_ID.eq(ACCOUNT.ID))
        .groupBy(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.ROLE)
        .orderBy(ACCOUNT.NAME)
        .fetch(
            r ->
                new AccountShown(
                    r.value1(), r.value2(), Role.valueOf(r.value3()), Utc.instant(r.value4())));
  }

  Optional<Account> byId(long id) {
    return db.select(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.ROLE)
        .from(ACCOUNT)
        .where(ACCOUNT.ID.eq(id))
        .fetchOptional(AccountStore::account);
  }

  Optional<Account> byName(String name) {
    return db.select(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.ROLE)
        .from(ACCOUNT)
        .where(ACCOUNT.NAME.eq(name))
        .fetchOptional(AccountStore::account);
  }

  private static Account account(Record3<Long, String, String> r) {
    return new Account(r.value1(), r.value2(), Role.valueOf(r.value3()));
  }

  /** What is kept of an account's password. */
  String password(long id) {
    return db.select(ACCOUNT.PASSWORD)
        .from(ACCOUNT)
        .where(ACCOUNT.ID.eq(id))
        .fetchSingle(ACCOUNT.PASSWORD);
  }

  boolean isAnOwnerBesides(long id) {
    return db.fetchExists(ACCOUNT, ACCOUNT.ROLE.eq(Role.OWNER.name()).and(ACCOUNT.ID.ne(id)));
  }

  Account add(String name, String keptPassword, Role role) {
    long id =
        db.insertInto(ACCOUNT)
            .set(ACCOUNT.NAME, name)
            .set(ACCOUNT.PASSWORD, keptPassword)
            .set(ACCOUNT.ROLE, role.name())
            .set(ACCOUNT.MADE_AT, Utc.now())
            .returningResult(ACCOUNT.ID)
            .fetchSingle()
            .value1();
    return new Account(id, name, role);
  }

  void changeRole(long id, Role role) {
    db.update(ACCOUNT).set(ACCOUNT.ROLE, role.name()).where(ACCOUNT.ID.eq(id)).execute();
  }

  void changePassword(long id, String keptPassword) {
    db.update(ACCOUNT).set(ACCOUNT.PASSWORD, keptPassword).where(ACCOUNT.ID.eq(id)).execute();
  }

  void remove(long id) {
    db.deleteFrom(ACCOUNT).where(ACCOUNT.ID.eq(id)).execute();
  }

  /** Locks the accounts until the transaction ends, so that two owners cannot unmake each other. */
  void hold() {
    db.select(ACCOUNT.ID).from(ACCOUNT).forUpdate().fetch();
  }

  void invite(String token, Role role, @Nullable Long account, Instant expiresAt) {
    db.insertInto(INVITATION)
        .set(INVITATION.TOKEN_HASH, Token.kept(token))
        .set(INVITATION.ROLE, role.name())
        .set(INVITATION.ACCOUNT_ID, account)
        .set(INVITATION.EXPIRES_AT, Utc.of(expiresAt))
        .execute();
  }

  List<Invitation> invitations() {
    return db.selectFrom(INVITATION)
        .where(INVITATION.EXPIRES_AT.gt(Utc.now()))
        .orderBy(INVITATION.ID)
        .fetch(
            r ->
                new Invitation(
                    r.get(INVITATION.ID),
                    Role.valueOf(r.get(INVITATION.ROLE)),
                    r.get(INVITATION.ACCOUNT_ID),
                    Objects.requireNonNull(Utc.instant(r.get(INVITATION.EXPIRES_AT)))));
  }

  Optional<Invitation> invitation(String token) {
    return db.select(INVITATION.ID)
        .from(INVITATION)
        .where(INVITATION.TOKEN_HASH.eq(Token.kept(token)))
        .fetchOptional(INVITATION.ID)
        .flatMap(id -> invitations().stream().filter(i -> i.id() == id).findFirst());
  }

  /** Takes an invitation away; false when that was done before. */
  boolean useUp(long invitation) {
    return db.deleteFrom(INVITATION).where(INVITATION.ID.eq(invitation)).execute() == 1;
  }

  /** Takes away what was given out for a new password of an account. */
  void forgetResets(long account) {
    db.deleteFrom(INVITATION).where(INVITATION.ACCOUNT_ID.eq(account)).execute();
  }

  void forgetInvitations() {
    db.deleteFrom(INVITATION).where(INVITATION.ACCOUNT_ID.isNull()).execute();
  }

  void begin(String token, long account) {
    db.insertInto(SIGNED_IN)
        .set(SIGNED_IN.TOKEN_HASH, Token.kept(token))
        .set(SIGNED_IN.ACCOUNT_ID, account)
        .set(SIGNED_IN.BEGAN_AT, Utc.now())
        .set(SIGNED_IN.SEEN_AT, Utc.now())
        .execute();
  }

  /**
   * Who is signed in by a token.
   *
   * @param unused after how long without a request it ends
   * @param longest after how long it ends in any case
   */
  Optional<Account> signedIn(String token, Duration unused, Duration longest) {
    String hash = Token.kept(token);
    var found =
        db.select(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.ROLE, SIGNED_IN.SEEN_AT)
            .from(SIGNED_IN)
            .join(ACCOUNT)
            .on(ACCOUNT.ID.eq(SIGNED_IN.ACCOUNT_ID))
            .where(SIGNED_IN.TOKEN_HASH.eq(hash))
            .and(SIGNED_IN.SEEN_AT.gt(Utc.now().minus(unused)))
            .and(SIGNED_IN.BEGAN_AT.gt(Utc.now().minus(longest)))
            .fetchOptional();
    if (found.isPresent() && found.get().value4().isBefore(Utc.now().minus(NOTED_EVERY))) {
      db.update(SIGNED_IN)
          .set(SIGNED_IN.SEEN_AT, Utc.now())
          .where(SIGNED_IN.TOKEN_HASH.eq(hash))
          .execute();
    }
    return found.map(r -> new Account(r.value1(), r.value2(), Role.valueOf(r.value3())));
  }

  void end(String token) {
    db.deleteFrom(SIGNED_IN).where(SIGNED_IN.TOKEN_HASH.eq(Token.kept(token))).execute();
  }

  /**
   * Signs an account out.
   *
   * @param but the token that stays; null for none
   */
  void endAll(long account, @Nullable String but) {
    db.deleteFrom(SIGNED_IN)
        .where(SIGNED_IN.ACCOUNT_ID.eq(account))
        .and(SIGNED_IN.TOKEN_HASH.ne(but == null ? "" : Token.kept(but)))
        .execute();
  }

  /** Forgets what has ended by itself. */
  void sweep(Duration unused, Duration longest) {
    db.deleteFrom(SIGNED_IN)
        .where(SIGNED_IN.SEEN_AT.lt(Utc.now().minus(unused)))
        .or(SIGNED_IN.BEGAN_AT.lt(Utc.now().minus(longest)))
        .execute();
    db.deleteFrom(INVITATION).where(INVITATION.EXPIRES_AT.lt(Utc.now())).execute();
  }
}
