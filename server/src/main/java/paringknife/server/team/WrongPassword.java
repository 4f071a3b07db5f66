package paringknife.server.team;

/** Nobody of that name has that password. */
class WrongPassword extends RuntimeException {
  private static final long serialVersionUID = 1;

  WrongPassword() {
    super("Nobody here has this name and this password.");
  }
}
