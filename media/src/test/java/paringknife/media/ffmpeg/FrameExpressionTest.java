package paringknife.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.media.ffmpeg.FrameExpression.Step;

class FrameExpressionTest {
  @Test
  void stepsAreHalvedAgainAndAgain() {
    assertThat(new FrameExpression("n", List.of(new Step(0, 1))).text()).isEqualTo("1");
    assertThat(new FrameExpression("n", List.of(new Step(0, 1), new Step(10, 0))).text())
        .isEqualTo("if(lt(n,10),1,0)");
    assertThat(
            new FrameExpression("N", List.of(new Step(0, 1), new Step(10, 0), new Step(20, 2.5)))
                .text())
        .isEqualTo("if(lt(N,10),1,if(lt(N,20),0,2.500))");
  }

  @Test
  void thousandsOfStepsStayShallow() {
    List<Step> steps = new ArrayList<>();
    for (int i = 0; i < 5_000; i++) {
      steps.add(new Step(i * 3L, i % 2));
    }
    String text = new FrameExpression("n", steps).text();
    int depth = 0;
    int deepest = 0;
    for (char c : text.toCharArray()) {
      depth += c == '(' ? 1 : c == ')' ? -1 : 0;
      deepest = Math.max(deepest, depth);
    }
    assertThat(depth).isZero();
    assertThat(deepest).as("ffmpeg takes a hundred").isLessThan(30);
  }
}
