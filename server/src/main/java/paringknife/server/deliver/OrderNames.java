package paringknife.server.deliver;

import java.util.HashMap;
import java.util.Map;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.proof.ProofCopy;
import paringknife.server.clips.ClipStore;

/** What the clips and specs of orders are called now. */
final class OrderNames {
  private final DeliverySpecs known;
  private final ClipStore clips;
  private final Map<Long, Delivered> delivered = new HashMap<>();

  OrderNames(DeliverySpecs known, ClipStore clips) {
    this.known = known;
    this.clips = clips;
  }

  Delivered ofClip(long id) {
    return delivered.computeIfAbsent(id, c -> clips.byId(c).document().delivered());
  }

  String ofSpec(String spec) {
    if (spec.equals(ProofCopy.ID)) {
      return "to be shown for a yes";
    }
    if (KeptPieces.byId(spec).isPresent()) {
      return "kept pieces";
    }
    return known.find(spec).map(DeliverySpec::name).orElse("a spec that is gone");
  }
}
