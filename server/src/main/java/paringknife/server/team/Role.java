package paringknife.server.team;

/** What somebody may do, each all that the next may. */
enum Role {
  /** Everything, and who may work here. */
  OWNER,
  /** Everything but who may work here. */
  EDITOR,
  /** Looks at everything and changes nothing. */
  VIEWER
}
