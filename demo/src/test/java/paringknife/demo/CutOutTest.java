package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.FrameRate;
import paringknife.media.ffmpeg.AnalysisPictures;
import paringknife.media.ffmpeg.Matte;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.Shots;
import paringknife.media.matte.Mattes;

/** People are cut out of a film in which it is known of every point whether it is drawn on them. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CutOutTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final int WIDTH = 640;
  private static final int HEIGHT = 360;
  private static final int FRAMES = 70;
  private static final int PER_STRETCH = 50;

  /** Points nearer to an edge than this are of both sides; a matte is of half the size. */
  private static final int EDGE = 4;

  private static final CameraGrid GRID = CameraGrid.one(WIDTH, HEIGHT);

  private final Portrait portrait = new Portrait(Filming.LOOKS.get(0), 0.5);

  private Path folder = Path.of("made");
  private Path film = Path.of("film.mp4");
  private People people = People.found(List.of());

  @BeforeAll
  void film(@TempDir Path made) throws IOException, InterruptedException {
    folder = made;
    film = folder.resolve("film.mp4");
    new DrawnFilm(WIDTH, HEIGHT, 25)
        .write(film, FRAMES, List.of("-crf", "20"), (g, room, n) -> draw(g, n));
    people = People.found(PeopleTracker.people(new AnalysisPictures(Probe.of(film)).faces()));
    assertThat(people.count()).isEqualTo(1);
  }

  /** They stand for a second, then they lean to the right. */
  private static double place(int n) {
    return 260 + 2.0 * Math.max(0, n - 25);
  }

  private void draw(Graphics2D g, int n) {
    image(g, portrait.body(), place(n), 215);
    image(g, portrait.head(n % 8 < 4 ? 2 : 0, false), place(n), 72);
  }

  private static void image(Graphics2D g, BufferedImage image, double middle, double y) {
    g.setTransform(AffineTransform.getTranslateInstance(middle - image.getWidth() / 2.0, y));
    g.drawImage(image, 0, 0, null);
  }

  private boolean[] drawnOn(int n) {
    BufferedImage empty = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = empty.createGraphics();
    draw(g, n);
    g.dispose();
    int[] pixels = ((DataBufferInt) empty.getRaster().getDataBuffer()).getData();
    boolean[] drawn = new boolean[pixels.length];
    for (int i = 0; i < pixels.length; i++) {
      drawn[i] = pixels[i] >>> 24 > 127;
    }
    return drawn;
  }

  private Mattes mattes(String kept) {
    return new Mattes(folder.resolve(kept), film, GRID, people, List.of(ShotList.ONE), RATE);
  }

  private static int share(Matte matte, int x, int y) {
    return matte.shares()[y / 2 * matte.width() + x / 2] & 255;
  }

  @Test
  void whatIsDrawnOnThemIsThemAndNothingElse() {
    Mattes mattes = mattes("overlap");
    for (int n : new int[] {0, 13, 37, 38, 49, 50, 69}) {
      Matte matte = mattes.at(n);
      boolean[] truth = drawnOn(n);
      int both = 0;
      int either = 0;
      for (int y = 0; y < HEIGHT; y++) {
        for (int x = 0; x < WIDTH; x++) {
          boolean found = share(matte, x, y) > 127;
          boolean drawn = truth[y * WIDTH + x];
          both += found && drawn ? 1 : 0;
          either += found || drawn ? 1 : 0;
        }
      }
      assertThat(both / (double) either).as("frame " + n).isGreaterThanOrEqualTo(0.93);
    }
  }

  /** While they stand still the edge does, too: by a step of 255 at most on average. */
  @Test
  void theEdgeIsSteady() {
    Mattes mattes = mattes("steady");
    List<Double> changes = new ArrayList<>();
    boolean[] truth = drawnOn(0);
    for (int n = 9; n < 24; n++) {
      Matte before = mattes.at(n - 1);
      Matte now = mattes.at(n);
      double sum = 0;
      int count = 0;
      for (int y = 0; y < HEIGHT; y += 2) {
        for (int x = 0; x < WIDTH; x += 2) {
          if (isNearEdge(truth, x, y)) {
            sum += Math.abs(share(now, x, y) - share(before, x, y));
            count++;
          }
        }
      }
      changes.add(sum / count);
    }
    assertThat(changes).allSatisfy(c -> assertThat(c).isLessThan(4));
  }

  private static boolean isNearEdge(boolean[] truth, int x, int y) {
    boolean here = truth[y * WIDTH + x];
    for (int dy = -EDGE; dy <= EDGE; dy += EDGE) {
      for (int dx = -EDGE; dx <= EDGE; dx += EDGE) {
        int nx = Math.max(0, Math.min(WIDTH - 1, x + dx));
        int ny = Math.max(0, Math.min(HEIGHT - 1, y + dy));
        if (truth[ny * WIDTH + nx] != here) {
          return true;
        }
      }
    }
    return false;
  }

  @Test
  void aStretchIsKeptAndOneThatCannotBeReadIsMadeAnew() throws IOException {
    Mattes mattes = mattes("kept");
    assertThat(mattes.made(0)).isEmpty();
    Path file = mattes.make(0);
    byte[] right = Files.readAllBytes(file);
    assertThat(mattes("kept").made(0)).contains(file);
    byte[] cut = new byte[right.length / 2];
    System.arraycopy(right, 0, cut, 0, cut.length);
    for (byte[] wrong : List.of(new byte[0], "not this".getBytes(StandardCharsets.US_ASCII), cut)) {
      Files.write(file, wrong);
      assertThat(mattes("kept").at(7).shares()).hasSize(WIDTH / 2 * HEIGHT / 2);
      assertThat(Files.readAllBytes(file)).isEqualTo(right);
    }
  }

  /** Where the recording ends the last matte stands; beyond it nothing is exchanged. */
  @Test
  void beyondTheEndThereIsNothingToCutOut() {
    Mattes mattes = mattes("end");
    assertThat(mattes.at(99).shares()).isEqualTo(mattes.at(FRAMES - 1).shares());
    assertThat(mattes.at(10 * PER_STRETCH).shares()).containsOnly((byte) 255);
  }

  @Test
  void whereNobodyIsSeenAllOfThePictureStays() {
    Mattes nobody =
        new Mattes(
            folder.resolve("nobody"),
            film,
            GRID,
            People.found(List.of()),
            List.of(ShotList.ONE),
            RATE);
    assertThat(nobody.at(3).shares()).containsOnly((byte) 255);
  }

  /** Whose face is not found any more is still somebody. */
  @Test
  void whoTurnsAwayStaysCutOut() {
    Person found = people.on(0).get(0);
    Person turned =
        new Person(found.sightings().stream().filter(s -> s.timeUs() < 700_000).toList());
    assertThat(turned.isSeen()).isTrue();
    Mattes mattes =
        new Mattes(
            folder.resolve("turned"),
            film,
            GRID,
            People.found(List.of(turned)),
            List.of(ShotList.ONE),
            RATE);
    Matte matte = mattes.at(FRAMES - 2);
    int middle = (int) place(FRAMES - 2);
    assertThat(share(matte, middle, 150)).isGreaterThan(250);
    assertThat(share(matte, 600, 40)).isLessThan(5);
  }

  /** In the shot after a cut nobody is looked for who was in the one before. */
  @Test
  void nobodyIsCarriedOverACut() throws IOException, InterruptedException {
    Path cut = folder.resolve("cut.mp4");
    int shot = 41;
    new DrawnFilm(WIDTH, HEIGHT, 25)
        .write(
            cut,
            FRAMES,
            List.of("-crf", "20"),
            (g, room, n) -> {
              if (n < shot) {
                draw(g, 0);
              } else {
                g.setColor(new Color(0x5B6B52));
                g.fillRect(0, 0, WIDTH, HEIGHT);
              }
            });
    Recording recording = Probe.of(cut);
    ShotList shots = ShotList.of(Shots.of(recording), RATE);
    People seen =
        People.found(
            PeopleTracker.people(
                new AnalysisPictures(recording).faces(), shots, WIDTH / (double) HEIGHT));
    Mattes mattes = new Mattes(folder.resolve("shots"), cut, GRID, seen, List.of(shots), RATE);
    Matte before = mattes.at(shot - 1);
    assertThat(share(before, 260, 150)).isGreaterThan(250);
    assertThat(share(before, 600, 40)).isLessThan(5);
    assertThat(mattes.at(shot).shares()).containsOnly((byte) 255);
    assertThat(mattes.at(shot + 1).shares()).containsOnly((byte) 255);
  }
}
