package paringknife.server.deliver;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The delivery sheet over HTTP. */
@RestController
@RequestMapping("/api")
class SheetController {
  private final DeliverySheet sheet;
  private final AskedCells asked;

  SheetController(DeliverySheet sheet, AskedCells asked) {
    this.sheet = sheet;
    this.asked = asked;
  }

  @GetMapping("/episodes/{id}/sheet")
  DeliverySheet.Sheet sheet(@PathVariable long id) {
    return sheet.of(id);
  }

  /** The sheet of a shelf, with all that stands on it; without one, of all that there is. */
  @GetMapping("/sheet")
  DeliverySheet.Sheet sheetOfShelf(@RequestParam(required = false) @Nullable Long shelf) {
    return sheet.ofShelf(shelf);
  }

  /**
   * Cells that are ticked, or no longer.
   *
   * @param asked whether they are asked for from now on
   */
  record Ticked(List<AskedCells.Tick> cells, boolean asked) {}

  /** Asks for cells of any sheet, or no longer. */
  @PutMapping("/asked")
  void ask(@RequestBody Ticked ticked) {
    asked.ask(ticked.cells(), ticked.asked());
  }

  /** Renders what is wanted on a shelf, as of an episode; answers how many. */
  @PostMapping("/renderings")
  int renderShelf(@RequestParam(required = false) @Nullable Long shelf) {
    return sheet.orderAllOnShelf(shelf);
  }

  /** Renders every asked cell that passes and is not finished as it is now; answers how many. */
  @PostMapping("/episodes/{id}/renderings")
  int renderAll(@PathVariable long id) {
    return sheet.orderAll(id);
  }
}
