package paringknife.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;

/** Records what a page sends to the loudspeaker: a tap on the Web Audio graph, recorded as PCM. */
final class HeardInBrowser {
  /** Everything that connects to the loudspeaker connects to a recorder as well. */
  private static final String TAP =
      """
      (() => {
        window.heard = { context: null, tap: null };
        const connect = AudioNode.prototype.connect;
        AudioNode.prototype.connect = function (target, ...rest) {
          if (target instanceof AudioDestinationNode) {
            if (window.heard.context !== target.context) {
              window.heard.context = target.context;
              window.heard.tap = target.context.createMediaStreamDestination();
            }
            connect.call(this, window.heard.tap);
          }
          return connect.call(this, target, ...rest);
        };
      })();
      """;

  private HeardInBrowser() {}

  static void tap(BrowserContext context) {
    context.addInitScript(TAP);
  }

  /** Starts recording; the page must have played something before. */
  static void start(Page page) {
    page.evaluate(
        "() => { heard.parts = []; heard.recorder = new MediaRecorder(heard.tap.stream, { mimeType: 'audio/webm;codecs=pcm' });"
            + " heard.recorder.ondataavailable = (e) => heard.parts.push(e.data); heard.recorder.start(); }");
  }

  /** Writes what was heard since the start into a file. */
  static void stop(Page page, Path file) throws IOException {
    String text =
        (String)
            page.evaluate(
                """
                () => new Promise((done) => {
                  heard.recorder.onstop = async () => {
                    const bytes = new Uint8Array(await new Blob(heard.parts).arrayBuffer());
                    let text = '';
                    for (let i = 0; i < bytes.length; i += 4096) text += String.fromCharCode(...bytes.subarray(i, i + 4096));
                    done(btoa(text));
                  };
                  heard.recorder.stop();
                })
                """);
    Files.write(file, Base64.getDecoder().decode(text));
  }
}
