package paringknife.server.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static paringknife.server.database.generated.Tables.PLANNED_CLIP;

import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.RunningApplication;
import tools.jackson.databind.JsonNode;

/** What was worked out of clips is there after a start, as long as it is of what they are now. */
class PlansKeptTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final String FOUND = "told by what was kept";

  private static String lineOf(long clip) throws Exception {
    for (JsonNode line : APP.get("/api/episodes/1/sheet").path("lines")) {
      if (line.path("clipId").asLong() == clip) {
        return line.toString();
      }
    }
    throw new IllegalStateException("no line of " + clip);
  }

  /** Puts other words into the plan that was kept, by which it is known again. */
  private static void mark(long clip) {
    DSLContext db = APP.part(DSLContext.class);
    int marked =
        db.update(PLANNED_CLIP)
            .set(
                PLANNED_CLIP.PLAN,
                DSL.replace(PLANNED_CLIP.PLAN, "\"text\":\"", "\"text\":\"" + FOUND + " "))
            .where(PLANNED_CLIP.CLIP_ID.eq(clip))
            .execute();
    assertThat(marked).isEqualTo(1);
  }

  @Test
  void plansAreReadAfterAStartAndMadeAnewAfterAChange() throws Exception {
    long clip = APP.clip("kept", 8);
    String before = lineOf(clip);
    assertThat(lineOf(clip)).isEqualTo(before);
    mark(clip);
    assertThat(lineOf(clip)).as("at hand").isEqualTo(before);
    APP.restart();
    assertThat(lineOf(clip)).as("kept").contains(FOUND);

    APP.change(clip, "{\"type\":\"pareFillers\"}");
    assertThat(lineOf(clip)).as("another clip now").doesNotContain(FOUND);
    mark(clip);
    APP.restart();
    APP.smallSpec("One more", 320, 320);
    assertThat(lineOf(clip)).as("other specs").doesNotContain(FOUND);
  }

  @Test
  void whatCannotBeReadIsWorkedOutAgain() throws Exception {
    long clip = APP.clip("spoilt", 8);
    String before = lineOf(clip);
    APP.part(DSLContext.class)
        .update(PLANNED_CLIP)
        .set(PLANNED_CLIP.PLAN, "{\"lengthUs\":1,\"cells\":[{\"spec\":\"none\"}]}")
        .where(PLANNED_CLIP.CLIP_ID.eq(clip))
        .execute();
    APP.restart();
    assertThat(lineOf(clip)).isEqualTo(before);
  }
}
