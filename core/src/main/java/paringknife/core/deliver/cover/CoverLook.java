package paringknife.core.deliver.cover;

import paringknife.core.frame.SeenFace;

/**
 * How good a moment looks as a still; compared within one clip only.
 *
 * @param detail how sharp the face is: variance of the Laplacian of its grey values (Pech-Pacheco
 *     et al., "Diatom autofocusing in brightfield microscopy", 2000)
 * @param movement how much it changes from a tenth of a second before: mean difference of its grey
 *     values
 * @param eyes how open its eyes are, see {@link OpenEyes}
 */
public record CoverLook(SeenFace face, double detail, double movement, double eyes) {}
