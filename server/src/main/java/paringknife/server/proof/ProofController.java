package paringknife.server.proof;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Links and remarks over HTTP, for the producer. */
@RestController
@RequestMapping("/api")
class ProofController {
  private static final String PRODUCER = "Producer";

  private final Proofs proofs;

  ProofController(Proofs proofs) {
    this.proofs = proofs;
  }

  @GetMapping("/episodes/{id}/proofs")
  Proofs.ProofsOfEpisode proofs(@PathVariable long id) {
    return proofs.of(id);
  }

  @PostMapping("/episodes/{id}/proofs")
  Proofs.ProofLink add(@PathVariable long id, @RequestBody Proofs.LinkAsked asked) {
    return proofs.add(id, asked);
  }

  /** Lets nobody in by a link any more. */
  @PostMapping("/proofs/{id}/withdrawal")
  void withdraw(@PathVariable long id) {
    proofs.withdraw(id);
  }

  /** Has guests see the clips of a link as they are now. */
  @PostMapping("/proofs/{id}/showing")
  void showNow(@PathVariable long id) {
    proofs.showNow(id);
  }

  @GetMapping("/clips/{id}/remarks")
  List<RemarkStore.Remark> remarks(@PathVariable long id) {
    return proofs.remarksOf(id);
  }

  /** What a producer says to a remark. */
  record RemarkAnswer(@Schema(maxLength = 2_000) String text) {}

  @PostMapping("/remarks/{id}/answers")
  List<RemarkStore.Remark> answer(@PathVariable long id, @RequestBody RemarkAnswer asked) {
    return proofs.answer(id, new RemarkStore.Saying(PRODUCER, false, RemarkText.of(asked.text())));
  }

  /** Whether what a remark asks for is done. */
  record RemarkDone(boolean done) {}

  @PostMapping("/remarks/{id}/done")
  List<RemarkStore.Remark> setDone(@PathVariable long id, @RequestBody RemarkDone asked) {
    return proofs.setDone(id, asked.done());
  }
}
