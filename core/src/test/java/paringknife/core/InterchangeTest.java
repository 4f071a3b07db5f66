package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.formats.ChapterText;
import paringknife.core.formats.CutListCsv;
import paringknife.core.formats.EditDecisionList;
import paringknife.core.formats.EditEvent;
import paringknife.core.formats.ImportedText;
import paringknife.core.formats.PickCsv;
import paringknife.core.formats.Timecode;
import paringknife.core.formats.TimedText;
import paringknife.core.formats.TimelineJson;
import paringknife.core.pick.Chapter;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

class InterchangeTest {
  private static final FrameRate NTSC = new FrameRate(30_000, 1_001);

  /**
   * The counting of SMPTE ST 12-1 at the places where numbers are dropped: 17,982 frames are ten
   * minutes and 1,800 frames one minute of numbers (worked from the standard's rule).
   */
  @ParameterizedTest
  @CsvSource({
    "0, 00:00:00;00",
    "1799, 00:00:59;29",
    "1800, 00:01:00;02",
    "3597, 00:01:59;29",
    "3598, 00:02:00;02",
    "17981, 00:09:59;29",
    "17982, 00:10:00;00",
    "107892, 01:00:00;00"
  })
  void dropFrameCountingLeavesOutTwoNumbersAMinute(long frame, String timecode) {
    assertThat(new Timecode(NTSC, true).of(frame)).isEqualTo(timecode);
    assertThat(new Timecode(NTSC, true).frame(timecode)).isEqualTo(frame);
  }

  @Property
  void everyFrameComesBackFromItsTimecode(@ForAll @LongRange(min = 0, max = 2_500_000) long frame) {
    for (Timecode timecode :
        List.of(
            new Timecode(NTSC, true),
            new Timecode(NTSC, false),
            new Timecode(new FrameRate(25, 1), false),
            new Timecode(new FrameRate(60_000, 1_001), true),
            new Timecode(new FrameRate(24_000, 1_001), false))) {
      assertThat(timecode.frame(timecode.of(frame))).isEqualTo(frame);
    }
  }

  /**
   * At 29.97 the drop-frame clock is right to within a frame or two after an hour; ST 12-1 says 3.6
   * ms.
   */
  @Test
  void theDropFrameClockKeepsToRealTime() {
    assertThat(NTSC.startUs(new Timecode(NTSC, true).frame("01:00:00;00")))
        .isBetween(3_599_990_000L, 3_600_010_000L);
    assertThat(NTSC.startUs(new Timecode(NTSC, false).frame("01:00:00:00")))
        .isBetween(3_603_590_000L, 3_603_610_000L);
  }

  @Test
  void dropFrameIsForNtscRatesOnly() {
    assertThatThrownBy(() -> new Timecode(new FrameRate(25, 1), true))
        .isInstanceOf(IllegalArgumentException.class);
  }

  private static final List<EditEvent> EVENTS =
      List.of(new EditEvent(35, 0, 22), new EditEvent(1_790, 22, 40), new EditEvent(500, 62, 10));

  @ParameterizedTest
  @CsvSource({"25, 1, false", "30000, 1001, true", "30000, 1001, false", "30, 1, false"})
  void anEditDecisionListIsReadBackAsItWasWritten(int numerator, int denominator, boolean drop) {
    FrameRate rate = new FrameRate(numerator, denominator);
    String edl =
        EditDecisionList.write("Ice \r\n* \"night\"", "camera one.mp4", EVENTS, rate, drop, 0, 1);
    assertThat(EditDecisionList.read(edl, rate)).isEqualTo(EVENTS);
    assertThat(edl)
        .contains(drop ? "FCM: DROP FRAME" : "FCM: NON-DROP FRAME")
        .contains("TITLE: Ice * \"night\"\r\n");
  }

  @Test
  void handlesWidenEveryPieceButNotBelowTheStart() {
    List<EditEvent> wide =
        EditDecisionList.read(
            EditDecisionList.write(
                "t",
                "f",
                List.of(new EditEvent(5, 0, 10), new EditEvent(100, 10, 10)),
                NTSC,
                false,
                8,
                1),
            NTSC);
    assertThat(wide).containsExactly(new EditEvent(0, 0, 23), new EditEvent(92, 23, 26));
  }

  /**
   * A held frame is one frame of the source, a motion effect (M2) of speed 0, and a freeze frame.
   */
  @Test
  void aHeldFrameLeavesInEveryForm() {
    FrameRate rate = new FrameRate(25, 1);
    List<EditEvent> events =
        List.of(
            new EditEvent(35, 0, 22), new EditEvent(56, 22, 12, true), new EditEvent(57, 34, 10));
    String edl = EditDecisionList.write("t", "a.mp4", events, rate, false, 0, 1);
    assertThat(EditDecisionList.read(edl, rate)).isEqualTo(events);
    assertThat(edl)
        .contains(
            "002  AX       V     C        00:00:02:06 00:00:02:07 00:00:00:22 00:00:01:09\r\nM2   AX             000.0                00:00:02:06");
    assertThat(
            CutListCsv.write(events, rate, false, 4, 1).lines().skip(2).findFirst().orElseThrow())
        .startsWith("2,00:00:02:06,00:00:02:07,")
        .endsWith(",yes,1.0");
    assertThat(TimelineJson.write("t", "a.mp4", 900, events, rate, 0, 1))
        .containsOnlyOnce("FreezeFrame.1")
        .containsOnlyOnce("Gap.1");
  }

  /** Common practice: 63.35 s to 58 s is 1.092 times; CMX 3600 says it in frames a second. */
  @Test
  void aFasterClipLeavesFasterInEveryForm() {
    FrameRate rate = new FrameRate(25, 1);
    List<EditEvent> events =
        List.of(new EditEvent(100, 0, 1_000), new EditEvent(2_000, 1_000, 584));
    String edl = EditDecisionList.write("t", "a.mp4", events, rate, false, 0, 1.092);
    assertThat(edl).contains("M2   AX             027.3                00:00:04:00");
    List<EditEvent> read = EditDecisionList.read(edl, rate);
    assertThat(read).extracting(EditEvent::count).containsExactly(1_000L, 584L);
    assertThat(read).extracting(EditEvent::recordFrame).containsExactly(0L, 916L);
    assertThat(edl).as("58 s and a frame").contains("00:00:36:16 00:00:58:01\r\n");
    String last =
        CutListCsv.write(events, rate, false, 0, 1.092).lines().skip(2).findFirst().orElseThrow();
    assertThat(last).contains("00:00:36:16,00:00:58:01,80.000000,103.360000,,1.092");
    assertThat(TimelineJson.write("t", "a.mp4", 9_000, events, rate, 0, 1.092))
        .contains("LinearTimeWarp.1")
        .contains("\"time_scalar\":1.092")
        .contains("\"value\":916}");
  }

  @Test
  void csvAndTimelineNameTheSamePieces() {
    FrameRate rate = new FrameRate(25, 1);
    assertThat(
            CutListCsv.write(EVENTS, rate, false, 0, 1).lines().skip(1).findFirst().orElseThrow())
        .isEqualTo("1,00:00:01:10,00:00:02:07,00:00:00:00,00:00:00:22,1.400000,2.280000,,1.0");
    String json = TimelineJson.write("Ice \"x\"", "a.mp4", 9_000, EVENTS, rate, 0, 1);
    assertThat(json)
        .contains("\"OTIO_SCHEMA\":\"Timeline.1\"")
        .contains("\"name\":\"Ice \\\"x\\\"\"")
        .contains("\"rate\":25.0,\"value\":1790");
  }

  @Test
  void whatIsNoListIsRefused() {
    assertThatThrownBy(() -> EditDecisionList.read("hello", NTSC))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void picksAreReadFromCsvInAnyOrderAndWrittenSoThatTheyReadBack() {
    ImportedText read =
        PickCsv.read(
            "title;in;out\r\n\"Ice; \"\"night\"\"\";00:01:02.500;00:01:40\r\nno times here\r\nPlain;12.5;20\r\n");
    assertThat(read.cues())
        .containsExactly(
            new TimedText(new Span(62_500_000, 100_000_000), "Ice; \"night\""),
            new TimedText(new Span(12_500_000, 20_000_000), "Plain"));
    assertThat(read.mended()).containsExactly("line 3 has no in and out, and was left out");
    assertThat(PickCsv.read(PickCsv.write(read.cues())).cues()).isEqualTo(read.cues());
    assertThatThrownBy(() -> PickCsv.read("a,b,c")).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void chaptersLeaveInThreeForms() {
    List<Chapter> chapters =
        List.of(new Chapter(0, "Ice"), new Chapter(65_000_000, "Bread = flour; #1"));
    assertThat(ChapterText.list(chapters)).isEqualTo("00:00:00 Ice\n00:01:05 Bread = flour; #1\n");
    assertThat(ChapterText.webVtt(chapters, 90_000_000))
        .contains("00:01:05.000 --> 00:01:30.000\nBread");
    assertThat(ChapterText.ffmpegMetadata(chapters, 90_000_000))
        .startsWith(";FFMETADATA1\n")
        .contains("START=65000\nEND=90000\ntitle=Bread \\= flour\\; \\#1");
  }
}
