package paringknife.server.proof;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.formats.SubtitleFormat;
import paringknife.core.formats.TimedText;
import paringknife.core.letter.Lettered;
import paringknife.server.deliver.ProofCopies;
import paringknife.server.secrets.KeptPasswords;
import paringknife.server.secrets.Tries;
import paringknife.server.web.Answers.Problem;
import paringknife.server.web.Attachment;
import paringknife.server.web.NotThere;
import paringknife.server.web.TooOften;

/** What guests of a link see and say, over HTTP: all that is under one token, and nothing else. */
@RestController
@RequestMapping("/api/proof/{token}")
class GuestController {
  private static final String PASS = "proof";
  private static final Duration PASS_HOLDS = Duration.ofDays(7);

  private final Guests guests;
  private final GuestEntry entry;
  private final KeptPasswords kept;
  private final ProofCopies copies;
  private final Tries passwords = new Tries(10);

  GuestController(Guests guests, GuestEntry entry, KeptPasswords kept, ProofCopies copies) {
    this.kept = kept;
    this.guests = guests;
    this.entry = entry;
    this.copies = copies;
  }

  @ExceptionHandler(Locked.class)
  ResponseEntity<Problem> locked(Locked e) {
    return ResponseEntity.status(HttpStatus.UNAUTHORIZED).body(new Problem(e.getMessage()));
  }

  private ProofStore.Link entered(String token, @Nullable String pass) {
    ProofStore.Link link = guests.link(token);
    if (!entry.isOpen(link, pass)) {
      throw new Locked("This page has a password.");
    }
    return link;
  }

  @GetMapping
  Guests.GuestPage page(
      @PathVariable String token, @CookieValue(name = PASS, required = false) String pass) {
    return guests.page(entered(token, pass));
  }

  /** The password of a link. */
  record GuestPassword(@Schema(maxLength = 200) String password) {}

  /** Lets a guest in who knows the password. */
  @PostMapping("/entry")
  ResponseEntity<Void> enter(
      @PathVariable String token, @RequestBody GuestPassword asked, HttpServletRequest request) {
    ProofStore.Link link = guests.link(token);
    if (!passwords.mayTry(link.id())) {
      throw new TooOften("That was tried too often; wait a minute.");
    }
    if (link.password() == null || !kept.isRight(asked.password(), link.password())) {
      throw new Locked("That is not the password.");
    }
    ResponseCookie cookie =
        ResponseCookie.from(PASS, entry.pass(link))
            .httpOnly(true)
            .secure(request.isSecure())
            .sameSite("Strict")
            .path("/api/proof/" + link.token())
            .maxAge(PASS_HOLDS)
            .build();
    return ResponseEntity.noContent().header(HttpHeaders.SET_COOKIE, cookie.toString()).build();
  }

  /**
   * A clip.
   *
   * @param noted whether this is a look of theirs, since which changes are told at the next
   */
  @GetMapping("/clips/{clip}")
  Guests.GuestClip clip(
      @PathVariable String token,
      @PathVariable long clip,
      @RequestParam(defaultValue = "true") boolean noted,
      @CookieValue(name = PASS, required = false) String pass) {
    return guests.clip(entered(token, pass), clip, noted);
  }

  /**
   * The film of a clip.
   *
   * @param download whether it is taken along, where that is allowed
   */
  @GetMapping("/clips/{clip}/film")
  ResponseEntity<FileSystemResource> film(
      @PathVariable String token,
      @PathVariable long clip,
      @RequestParam(defaultValue = "false") boolean download,
      @CookieValue(name = PASS, required = false) String pass) {
    ProofStore.Link link = entered(token, pass);
    HttpHeaders headers = new HttpHeaders();
    headers.setContentType(MediaType.parseMediaType("video/mp4"));
    headers.setCacheControl(CacheControl.noCache().cachePrivate());
    if (download) {
      headers.setContentDisposition(Attachment.named(guests.nameToTake(link, clip) + ".mp4"));
    }
    return ResponseEntity.ok()
        .headers(headers)
        .body(new FileSystemResource(guests.film(link, clip)));
  }

  /** A still of the film of a clip. */
  @GetMapping(path = "/clips/{clip}/still", produces = MediaType.IMAGE_JPEG_VALUE)
  ResponseEntity<FileSystemResource> still(
      @PathVariable String token,
      @PathVariable long clip,
      @CookieValue(name = PASS, required = false) String pass) {
    ProofStore.Link link = entered(token, pass);
    return ResponseEntity.ok()
        .cacheControl(CacheControl.noCache().cachePrivate())
        .body(new FileSystemResource(guests.poster(link, clip)));
  }

  /** What is said in a clip, to take along: as text, or as subtitles. */
  @GetMapping("/clips/{clip}/words.{format}")
  ResponseEntity<String> words(
      @PathVariable String token,
      @PathVariable long clip,
      @PathVariable String format,
      @CookieValue(name = PASS, required = false) String pass) {
    ProofStore.Link link = entered(token, pass);
    String name = guests.nameToTake(link, clip);
    SubtitleFormat wanted =
        SubtitleFormat.byExtension(format)
            .orElseThrow(() -> new NotThere("Captions are written as srt, vtt, ttml or txt."));
    List<TimedText> said = copies.subtitles(clip).getOrDefault(Lettered.SPOKEN, List.of());
    String text =
        format.equals("txt")
            ? copies.words(clip).stream().map(w -> w.text()).collect(Collectors.joining(" "))
            : wanted.write(said, "");
    HttpHeaders headers = new HttpHeaders();
    headers.setContentType(new MediaType("text", "plain", StandardCharsets.UTF_8));
    headers.setContentDisposition(Attachment.named(name + "." + format));
    return ResponseEntity.ok().headers(headers).body(text);
  }

  /**
   * A remark.
   *
   * @param fileUs where in the film
   */
  record NewRemark(
      @Schema(maxLength = 400) String author, @Schema(maxLength = 2_000) String text, long fileUs) {
    RemarkStore.Saying saying() {
      return new RemarkStore.Saying(RemarkText.name(author), true, RemarkText.of(text));
    }
  }

  @PostMapping("/clips/{clip}/remarks")
  Guests.GuestClip remark(
      @PathVariable String token,
      @PathVariable long clip,
      @RequestBody NewRemark asked,
      @CookieValue(name = PASS, required = false) String pass) {
    ProofStore.Link link = entered(token, pass);
    guests.remark(link, clip, asked.saying(), asked.fileUs());
    return guests.clip(link, clip, true);
  }

  @PostMapping("/clips/{clip}/remarks/{remark}/answers")
  Guests.GuestClip answer(
      @PathVariable String token,
      @PathVariable long clip,
      @PathVariable long remark,
      @RequestBody NewRemark asked,
      @CookieValue(name = PASS, required = false) String pass) {
    ProofStore.Link link = entered(token, pass);
    guests.answer(link, clip, remark, asked.saying());
    return guests.clip(link, clip, true);
  }

  /**
   * Yes, or changes asked for.
   *
   * @param file the film it is said of
   */
  record GuestSays(boolean approved, @Schema(maxLength = 400) String author, int file) {}

  @PostMapping("/clips/{clip}/verdict")
  Guests.GuestClip say(
      @PathVariable String token,
      @PathVariable long clip,
      @RequestBody GuestSays asked,
      @CookieValue(name = PASS, required = false) String pass) {
    ProofStore.Link link = entered(token, pass);
    guests.say(link, clip, asked.approved(), RemarkText.name(asked.author()), asked.file());
    return guests.clip(link, clip, true);
  }
}
