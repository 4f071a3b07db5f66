package paringknife.core.deliver;

import java.util.List;
import paringknife.core.steps.Intent;

/** What a producer wants done to how a clip goes out. */
public sealed interface DeliverIntent extends Intent {
  Delivered apply(Delivered delivered);

  /** Give another title. */
  record Rename(String title) implements DeliverIntent {
    @Override
    public Delivered apply(Delivered delivered) {
      return delivered.withTitle(title);
    }

    @Override
    public String label() {
      return "rename";
    }
  }

  /** Ask for delivery specs. */
  record AskFor(List<String> specs) implements DeliverIntent {
    @Override
    public Delivered apply(Delivered delivered) {
      List<String> known = specs.stream().map(s -> DeliverySpecs.byId(s).id()).distinct().toList();
      return delivered.withSpecs(known);
    }

    @Override
    public String label() {
      return "choose specs";
    }
  }
}
