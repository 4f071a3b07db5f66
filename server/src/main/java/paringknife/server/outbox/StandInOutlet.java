package paringknife.server.outbox;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import paringknife.core.outbox.Offered;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.store.WholeFile;
import paringknife.server.episodes.DataFolder;
import tools.jackson.databind.json.JsonMapper;

/**
 * Stands in for all destinations: it reads the file through and goes by the rules, writes down what
 * it took, and publishes nothing. Its receipts lie in the data folder.
 */
@Component
class StandInOutlet implements Outlet {
  private static final Pattern KEY = Pattern.compile("[A-Za-z0-9-]{1,100}");

  private final DataFolder data;
  private final DestinationStore destinations;
  private final JsonMapper json;

  StandInOutlet(DataFolder data, DestinationStore destinations, JsonMapper json) {
    this.data = data;
    this.destinations = destinations;
    this.json = json;
  }

  /**
   * What became of a key.
   *
   * @param note says what wrote this
   * @param reference null when it was not taken
   * @param sha256 of the file that was taken; null when it was not
   */
  record Receipt(
      String note,
      String destination,
      String title,
      String text,
      List<String> tags,
      @Nullable String reference,
      @Nullable String sha256,
      List<String> refused,
      boolean withdrawn,
      Instant at) {
    private static final String NOTE = "Written by the stand-in; nothing was published.";

    Answer answer() {
      if (withdrawn) {
        return new Answer.Refused(List.of("it was withdrawn"));
      }
      return reference == null ? new Answer.Refused(refused) : new Answer.Accepted(reference);
    }

    Receipt takenBack() {
      return new Receipt(
          note, destination, title, text, tags, reference, sha256, refused, true, Instant.now());
    }

    static Receipt unknown() {
      return new Receipt(NOTE, "", "", "", List.of(), null, null, List.of(), false, Instant.now());
    }
  }

  private Path place(String key) {
    if (!KEY.matcher(key).matches()) {
      throw new IllegalArgumentException("a key has up to 100 letters, digits and hyphens");
    }
    return data.root().resolve("stand-in").resolve(key + ".json");
  }

  private Optional<Receipt> receipt(String key) {
    Path place = place(key);
    try {
      return Files.exists(place)
          ? Optional.of(json.readValue(Files.readString(place), Receipt.class))
          : Optional.empty();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void keep(String key, Receipt receipt) {
    WholeFile.write(place(key), json.writeValueAsString(receipt).getBytes(StandardCharsets.UTF_8));
  }

  private boolean isSilent(String destination) {
    return destinations.byName(destination).map(d -> !d.answers()).orElse(false);
  }

  @Override
  public synchronized Answer post(Consignment consignment) {
    Optional<Receipt> before = receipt(consignment.key());
    if (before.isPresent()) {
      return before.get().answer();
    }
    if (isSilent(consignment.destination())) {
      return new Answer.Busy(consignment.destination() + " does not answer");
    }
    List<String> refused;
    String digest = null;
    try {
      refused = consignment.rules().against(offered(consignment));
      digest = refused.isEmpty() ? digest(consignment.file()) : null;
    } catch (UnusableRecording e) {
      refused = List.of("the file cannot be read as a film");
    } catch (IOException e) {
      return new Answer.Busy("the file could not be read");
    }
    Receipt receipt =
        new Receipt(
            Receipt.NOTE,
            consignment.destination(),
            consignment.texts().title(),
            consignment.texts().text(),
            consignment.texts().tags(),
            digest == null ? null : "stand-in-" + consignment.key(),
            digest,
            refused,
            false,
            Instant.now());
    keep(consignment.key(), receipt);
    return receipt.answer();
  }

  private static Offered offered(Consignment consignment) throws IOException {
    Recording film = Probe.of(consignment.file());
    Recording.Picture picture = film.picture();
    return new Offered(
        picture == null ? 0 : picture.width(),
        picture == null ? 0 : picture.height(),
        film.durationUs() / 1e6,
        Files.size(consignment.file()),
        consignment.texts());
  }

  private static String digest(Path file) throws IOException {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      try (InputStream read = new DigestInputStream(Files.newInputStream(file), digest)) {
        read.transferTo(OutputStream.nullOutputStream());
      }
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  @Override
  public synchronized boolean withdraw(String key) {
    Receipt before = receipt(key).orElseGet(Receipt::unknown);
    if (isSilent(before.destination())) {
      return false;
    }
    keep(key, before.takenBack());
    return true;
  }
}
