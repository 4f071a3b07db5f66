package paringknife.core.frame.people;

import java.util.List;

/** The faces found in the picture at one time of the episode. */
public record FaceSample(long timeUs, List<Face> faces) {}
