package paringknife.server.specs;

import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.server.web.Attachment;

/** Delivery specs over HTTP. */
@RestController
@RequestMapping("/api/specs")
class SpecController {
  private final SpecStore store;

  SpecController(SpecStore store) {
    this.store = store;
  }

  @GetMapping
  List<DeliverySpec> specs() {
    return store.all().all();
  }

  /** Makes a spec; its id is made of its name, whatever id is asked for. */
  @PostMapping
  DeliverySpec add(@RequestBody DeliverySpec spec) {
    return store.add(spec);
  }

  @PutMapping("/{id}")
  DeliverySpec change(@PathVariable String id, @RequestBody DeliverySpec spec) {
    return store.change(id, spec);
  }

  @DeleteMapping("/{id}")
  void remove(@PathVariable String id) {
    store.remove(id);
  }

  /** Takes in a file of specs. */
  @PostMapping("/file")
  List<DeliverySpec> takeIn(@RequestBody SpecFile file) {
    return store.takeIn(file);
  }

  /**
   * Specs as a file.
   *
   * @param ids which; all of one's own when left out
   */
  @GetMapping(path = "/file", produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> file(@RequestParam(defaultValue = "") List<String> ids) {
    DeliverySpecs all = store.all();
    List<DeliverySpec> asked =
        ids.isEmpty()
            ? all.all().stream().filter(s -> !DeliverySpecs.SHIPPED.all().contains(s)).toList()
            : ids.stream().map(all::byId).toList();
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, Attachment.named("delivery-specs.json").toString())
        .body(SpecFile.of(asked).write());
  }
}
