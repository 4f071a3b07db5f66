package paringknife.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Base64;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/**
 * What a page sends to the loudspeaker: every buffer it starts, and when it lets go of its output,
 * put together by the browser's own audio engine afterwards. A buffer started late is late here as
 * well. The audio clock that pages read goes on with the frames that they draw, by {@link
 * #LONGEST_STEP_MS} at most: a host that is held up holds up the clock too, and what is tested is
 * the order of things, not how quick the machine is.
 */
final class HeardInBrowser {
  private static final float RATE = 48_000;
  private static final int LONGEST_STEP_MS = 20;

  private static final String TAP =
      """
      (() => {
        window.heard = { context: null, started: [], from: 0, pace: 1 };
        let clock = 0;
        let before = performance.now();
        const goOn = (now) => {
          clock += (Math.min(Math.max(0, now - before), %d) / 1000) * heard.pace;
          before = now;
          requestAnimationFrame(goOn);
        };
        requestAnimationFrame(goOn);
        const own = Object.getOwnPropertyDescriptor(BaseAudioContext.prototype, 'currentTime');
        Object.defineProperty(BaseAudioContext.prototype, 'currentTime', {
          get() {
            return this instanceof AudioContext ? clock : own.get.call(this);
          },
        });
        const { connect, disconnect } = AudioNode.prototype;
        AudioNode.prototype.connect = function (target, ...rest) {
          this.leadsTo = target;
          if (this.context instanceof AudioContext) heard.context = this.context;
          return connect.call(this, target, ...rest);
        };
        AudioNode.prototype.disconnect = function (...rest) {
          this.cutAt = this.context.currentTime;
          return disconnect.call(this, ...rest);
        };
        const { start } = AudioBufferSourceNode.prototype;
        AudioBufferSourceNode.prototype.start = function (when = 0, offset = 0, ...rest) {
          if (this.context instanceof AudioContext) {
            heard.started.push({ at: Math.max(when, this.context.currentTime), offset, buffer: this.buffer, output: this.leadsTo });
          }
          return start.call(this, when, offset, ...rest);
        };
      })();
      """
          .formatted(LONGEST_STEP_MS);

  private HeardInBrowser() {}

  static void tap(BrowserContext context) {
    context.addInitScript(TAP);
  }

  /**
   * Plays from the beginning until a time, in microseconds of what is played, and writes what was
   * heard.
   */
  static void play(Page page, double untilUs, Path file) throws IOException {
    page.evaluate(
        "async () => { await paringKnifePlayer.play(); paringKnifePlayer.pause(); await paringKnifePlayer.seek(0); }");
    start(page);
    page.evaluate("() => paringKnifePlayer.play()");
    playUntil(page, untilUs);
    page.evaluate("() => paringKnifePlayer.pause()");
    stop(page, file);
  }

  /** Starts listening; the page must have played something before. */
  static void start(Page page) {
    page.evaluate(
        "() => { heard.from = heard.context.currentTime; heard.started = heard.started.filter((s) => !(s.output.cutAt <= heard.from)); }");
  }

  /** Writes what was heard since the start into a WAV file. */
  static void stop(Page page, Path file) throws IOException {
    String text =
        (String)
            page.evaluate(
                """
                async () => {
                  const { from, context } = heard;
                  const engine = new OfflineAudioContext(1, Math.ceil((context.currentTime - from) * 48000), 48000);
                  for (const { at, offset, buffer, output } of heard.started) {
                    if (output.cutAt <= from) continue;
                    const source = engine.createBufferSource();
                    source.buffer = buffer;
                    const gain = engine.createGain();
                    gain.gain.value = output.gain.value;
                    if (output.cutAt !== undefined) gain.gain.setValueAtTime(0, output.cutAt - from);
                    source.connect(gain).connect(engine.destination);
                    if (at >= from) source.start(at - from, offset);
                    else source.start(0, offset + from - at);
                  }
                  const samples = (await engine.startRendering()).getChannelData(0);
                  const bytes = new Uint8Array(Int16Array.from(samples, (s) => Math.round(Math.max(-1, Math.min(1, s)) * 32767)).buffer);
                  let text = '';
                  for (let i = 0; i < bytes.length; i += 4096) text += String.fromCharCode(...bytes.subarray(i, i + 4096));
                  return btoa(text);
                }
                """);
    byte[] samples = Base64.getDecoder().decode(text);
    AudioFormat format = new AudioFormat(RATE, Short.SIZE, 1, true, false);
    AudioSystem.write(
        new AudioInputStream(
            new ByteArrayInputStream(samples), format, samples.length / Short.BYTES),
        AudioFileFormat.Type.WAVE,
        file.toFile());
  }

  /** How fast the audio clock goes, as a share of the time that goes by. */
  static void pace(Page page, double pace) {
    page.evaluate("pace => { heard.pace = pace; }", pace);
  }

  /** Waits until the player is past a time, in microseconds of what it plays. */
  static void playUntil(Page page, double us) {
    page.waitForFunction(
        "us => paringKnifePlayer.position >= us",
        us,
        new Page.WaitForFunctionOptions().setTimeout(300_000));
  }
}
