package paringknife.server.team;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import paringknife.server.web.Answers.Problem;
import paringknife.server.web.NotThere;
import paringknife.server.web.TeamDoor;

/** Signing in and out, and one's own password. */
@RestController
class SessionController {
  private final Team team;
  private final SignedInBy signedIn;
  private final TeamDoor door;

  SessionController(Team team, SignedInBy signedIn, TeamDoor door) {
    this.team = team;
    this.signedIn = signedIn;
    this.door = door;
  }

  @ExceptionHandler(WrongPassword.class)
  ResponseEntity<Problem> wrong(WrongPassword e) {
    return ResponseEntity.status(HttpStatus.UNAUTHORIZED).body(new Problem(e.getMessage()));
  }

  /**
   * Who looks at the page.
   *
   * @param name null at this machine, where nobody signs in
   * @param team whether others may come in at all
   */
  record Session(@Nullable String name, Role role, boolean team) {}

  @GetMapping("/api/session")
  Session session(@Parameter(hidden = true) @AuthenticationPrincipal @Nullable Account account) {
    return account == null
        ? new Session(null, Role.OWNER, door.isOpen())
        : new Session(account.name(), account.role(), true);
  }

  /** What somebody signs in with. */
  record SigningIn(
      @Schema(maxLength = 200) String name, @Schema(maxLength = 400) String password) {}

  @PostMapping("/api/session")
  ResponseEntity<Void> signIn(@RequestBody SigningIn asked, HttpServletRequest request) {
    refuseHere(request);
    return carrying(team.signIn(asked.name(), asked.password(), TeamDoor.comesFrom(request)));
  }

  @DeleteMapping("/api/session")
  ResponseEntity<Void> signOut(HttpServletRequest request) {
    signedIn.token(request).ifPresent(team::signOut);
    return carrying(null);
  }

  /** A password for another. */
  record PasswordChange(
      @Schema(maxLength = 400) String old, @Schema(maxLength = 400) String wanted) {}

  @PutMapping("/api/session/password")
  void changePassword(
      @RequestBody PasswordChange asked,
      @Parameter(hidden = true) @AuthenticationPrincipal @Nullable Account account,
      HttpServletRequest request) {
    if (account == null) {
      throw new NotThere("Nobody signs in at this machine.");
    }
    team.changePassword(
        account, asked.old(), asked.wanted(), signedIn.token(request).orElseThrow());
  }

  /**
   * What an invitation is for.
   *
   * @param name whose new password; null for somebody new
   */
  record Invited(@Nullable String name, Role role) {}

  @GetMapping("/api/invitations/{token}")
  Invited invited(@PathVariable String token) {
    AccountStore.Invitation invitation = team.invitation(token);
    return new Invited(team.nameOf(invitation), invitation.role());
  }

  @PostMapping("/api/invitations/{token}")
  ResponseEntity<Void> follow(
      @PathVariable String token, @RequestBody SigningIn asked, HttpServletRequest request) {
    refuseHere(request);
    return carrying(team.follow(token, asked.name(), asked.password()));
  }

  private void refuseHere(HttpServletRequest request) {
    if (!door.isUsedBy(request)) {
      throw new NotThere("Nobody signs in at this machine; others do, at " + told() + ".");
    }
  }

  private String told() {
    return door.isOpen() ? door.url() : "a port that is not open (--team-port)";
  }

  private ResponseEntity<Void> carrying(@Nullable String token) {
    return ResponseEntity.noContent()
        .header(HttpHeaders.SET_COOKIE, signedIn.cookie(token))
        .build();
  }
}
