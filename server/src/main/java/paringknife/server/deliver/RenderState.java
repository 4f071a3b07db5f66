package paringknife.server.deliver;

import java.util.List;

/** How far a finished file is. */
public enum RenderState {
  WAITING,
  RENDERING,
  DONE,
  FAILED,
  CANCELLED;

  static final List<String> UNDER_WAY = List.of(WAITING.name(), RENDERING.name());

  boolean isUnderWay() {
    return this == WAITING || this == RENDERING;
  }
}
