package paringknife.core.frame;

import paringknife.core.time.Span;

/** A part of the picture that goes from one place to another. */
record TravellingWindow(Span span, int person, Window from, Window to, Curve curve, Span way)
    implements PlannedWindow {
  @Override
  public Window at(long us) {
    double time = way.lengthUs() == 0 ? 1 : (us - way.startUs()) / (double) way.lengthUs();
    return from.towards(to, curve.at(time));
  }

  @Override
  public TravellingWindow during(Span stretch) {
    return new TravellingWindow(stretch, person, from, to, curve, way);
  }
}
