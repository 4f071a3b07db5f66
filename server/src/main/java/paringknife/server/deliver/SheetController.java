package paringknife.server.deliver;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The delivery sheet over HTTP. */
@RestController
@RequestMapping("/api")
class SheetController {
  private final DeliverySheet sheet;

  SheetController(DeliverySheet sheet) {
    this.sheet = sheet;
  }

  @GetMapping("/episodes/{id}/sheet")
  DeliverySheet.Sheet sheet(@PathVariable long id) {
    return sheet.of(id);
  }

  /** Renders every asked cell that passes and is not finished as it is now; answers how many. */
  @PostMapping("/episodes/{id}/renderings")
  int renderAll(@PathVariable long id) {
    return sheet.orderAll(id);
  }
}
