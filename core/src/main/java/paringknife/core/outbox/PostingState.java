package paringknife.core.outbox;

/** How far something that is to be posted has come. */
public enum PostingState {
  /** Its time has not come, its file is not ready, or it is tried again. */
  SCHEDULED,
  /** It is being handed over. */
  SENDING,
  /** The destination has it. */
  ACCEPTED,
  /** The destination does not take it, or could not be reached for too long. */
  REFUSED,
  /** Its time passed while nothing ran that could have posted it. */
  MISSED,
  /** Somebody took it back; the destination has yet to hear of it. */
  WITHDRAWING,
  /** Taken back. */
  WITHDRAWN;

  /** Whether it can be given another time, to be tried from the beginning. */
  public boolean canBePutOff() {
    return this == SCHEDULED || this == REFUSED || this == MISSED;
  }

  /** Whether it can be taken back. */
  public boolean canBeWithdrawn() {
    return this != WITHDRAWING && this != WITHDRAWN;
  }
}
