package paringknife.server.team;

import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.server.web.TeamDoor;

/** Who may work here, as an owner sees and changes it. */
@RestController
@RequestMapping("/api/team")
class TeamController {
  private final Team team;
  private final AccountStore store;
  private final TeamDoor door;

  TeamController(Team team, AccountStore store, TeamDoor door) {
    this.team = team;
    this.store = store;
    this.door = door;
  }

  /**
   * Accounts and open invitations.
   *
   * @param address where others sign in; empty where they cannot
   */
  record TeamShown(
      String address,
      boolean encrypted,
      List<AccountStore.AccountShown> accounts,
      List<AccountStore.Invitation> invitations) {}

  @GetMapping
  TeamShown shown() {
    return new TeamShown(
        door.isOpen() ? door.url() : "", door.isEncrypted(), store.all(), store.invitations());
  }

  /** What somebody is to be. */
  record RoleWanted(Role role) {}

  /** A link to send to somebody; it is told once. */
  record InvitationLink(String url) {}

  @PostMapping("/invitations")
  InvitationLink invite(@RequestBody RoleWanted asked) {
    return link(team.invite(asked.role()));
  }

  @DeleteMapping("/invitations/{id}")
  TeamShown takeBack(@PathVariable long id) {
    store.useUp(id);
    return shown();
  }

  @PutMapping("/accounts/{id}")
  TeamShown changeRole(@PathVariable long id, @RequestBody RoleWanted asked) {
    team.changeRole(id, asked.role());
    return shown();
  }

  @DeleteMapping("/accounts/{id}")
  TeamShown remove(@PathVariable long id) {
    team.remove(id);
    return shown();
  }

  @PostMapping("/accounts/{id}/sign-out")
  TeamShown signOut(@PathVariable long id) {
    team.end(id);
    return shown();
  }

  @PostMapping("/accounts/{id}/new-password")
  InvitationLink newPassword(@PathVariable long id) {
    return link(team.newPassword(id));
  }

  private InvitationLink link(String token) {
    return new InvitationLink(door.url() + "/welcome/" + token);
  }
}
