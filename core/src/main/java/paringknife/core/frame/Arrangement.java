package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;

/** How several people share the canvas. */
public enum Arrangement {
  /** One above the other; four in a square. */
  STACKED,
  /** One beside the other; four in a square. */
  BESIDE,
  /** The first large, the others small in its upper right corner. */
  INSET;

  private static final double SMALL = 0.3;
  private static final double MARGIN = 0.04;

  /** Where the panes of some people lie, in the order of the people. */
  List<Place> places(int people, Shape shape, Divider divider) {
    if (people == 1) {
      return List.of(Place.WHOLE);
    }
    if (this == INSET) {
      return inset(people, shape);
    }
    int columns = people == 4 ? 2 : this == BESIDE ? people : 1;
    return grid(columns, people / columns, shape, divider);
  }

  private static List<Place> grid(int columns, int rows, Shape shape, Divider divider) {
    // As wide across as down, whatever the shape.
    double across = divider.share() / Math.max(1, shape.ratio());
    double gapX = across;
    double gapY = across * shape.ratio();
    double width = (1 - (columns - 1) * gapX) / columns;
    double height = (1 - (rows - 1) * gapY) / rows;
    List<Place> places = new ArrayList<>();
    for (int row = 0; row < rows; row++) {
      for (int column = 0; column < columns; column++) {
        places.add(new Place(column * (width + gapX), row * (height + gapY), width, height));
      }
    }
    return places;
  }

  private static List<Place> inset(int people, Shape shape) {
    double marginX = MARGIN / Math.max(1, shape.ratio());
    double marginY = marginX * shape.ratio();
    List<Place> places = new ArrayList<>(List.of(Place.WHOLE));
    double small = SMALL / Math.max(1, (people - 1) * (SMALL + marginY));
    for (int p = 1; p < people; p++) {
      places.add(
          new Place(1 - marginX - small, marginY + (p - 1) * (small + marginY), small, small));
    }
    return places;
  }
}
