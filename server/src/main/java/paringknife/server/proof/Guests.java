package paringknife.server.proof;

import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import paringknife.core.deliver.FileNames;
import paringknife.core.proof.ProofWord;
import paringknife.core.proof.TextChanges;
import paringknife.server.clips.ClipStore;
import paringknife.server.deliver.ProofCopies;
import paringknife.server.events.Events;
import paringknife.server.secrets.Tries;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.NotThere;
import paringknife.server.web.NotYet;
import paringknife.server.web.TooOften;

/** What guests of a link see and say; of anything else they learn nothing. */
@Service
class Guests {
  private final Episodes episodes;
  private final ClipStore clips;
  private final ProofStore store;
  private final RemarkStore remarks;
  private final ProofCopies copies;
  private final FilmPosters posters;
  private final Tries sayings = new Tries(30);
  private final Events events;

  Guests(
      Episodes episodes,
      ClipStore clips,
      ProofStore store,
      RemarkStore remarks,
      ProofCopies copies,
      FilmPosters posters,
      Events events) {
    this.posters = posters;
    this.episodes = episodes;
    this.clips = clips;
    this.store = store;
    this.remarks = remarks;
    this.copies = copies;
    this.events = events;
  }

  /**
   * A clip in the list.
   *
   * @param file names its film; null while it is being made
   * @param said how many remarks and answers there are
   * @param done how many of them ask for what is done
   */
  record ListedClip(
      long id,
      String title,
      @Nullable Integer file,
      @Nullable Boolean approved,
      int said,
      int done) {}

  /**
   * What a link shows.
   *
   * @param asks whether a yes is asked for; else it is a page of finished clips
   */
  record GuestPage(
      String title,
      @Nullable Instant expiresAt,
      boolean downloads,
      boolean asks,
      List<ListedClip> clips) {}

  /** A remark as guests see it. */
  record GuestRemark(
      long id,
      @Nullable Long answers,
      String author,
      boolean fromGuest,
      String text,
      long fileUs,
      String word,
      Instant madeAt,
      boolean done) {
    static GuestRemark of(RemarkStore.Remark r) {
      return new GuestRemark(
          r.id(),
          r.answers(),
          r.author(),
          r.fromGuest(),
          r.text(),
          r.fileUs(),
          r.word(),
          r.madeAt(),
          r.doneAt() != null);
    }
  }

  /** A word as guests see it. */
  record GuestWord(String text, long fromUs, long toUs, int speaker, boolean isNew) {}

  /**
   * A clip.
   *
   * @param file names its film
   * @param looked whether it was looked at in another state before
   * @param gone what was taken away since
   * @param remarks by the time that they are pinned to now
   * @param answeredNow whether what was said was said of this film
   */
  record GuestClip(
      long id,
      String title,
      int file,
      List<String> speakers,
      List<GuestWord> words,
      boolean looked,
      List<TextChanges.Gone> gone,
      List<GuestRemark> remarks,
      @Nullable Boolean approved,
      @Nullable String answeredBy,
      boolean answeredNow) {}

  /**
   * A link that holds.
   *
   * @throws NotThere when it does not, or never did
   */
  ProofStore.Link link(String token) {
    return store
        .byToken(token)
        .filter(l -> l.holds(Instant.now()))
        .orElseThrow(
            () ->
                new NotThere(
                    "This link does not show anything any more. Ask whoever sent it for another."));
  }

  GuestPage page(ProofStore.Link link) {
    Map<Long, Integer> files = copies.attempts(link.episodeId());
    Map<Long, RemarkStore.Count> counts = remarks.countsOf(link.id());
    List<ListedClip> listed = new ArrayList<>();
    for (ProofStore.Verdict verdict : store.clips(link.id())) {
      long id = verdict.clipId();
      RemarkStore.Count count = counts.getOrDefault(id, RemarkStore.Count.NONE);
      listed.add(
          new ListedClip(
              id,
              clips.byId(id).document().title(),
              files.get(id),
              verdict.approved(),
              count.said(),
              count.done()));
    }
    return new GuestPage(link.title(), link.expiresAt(), link.downloads(), link.asks(), listed);
  }

  private ProofStore.Verdict shown(ProofStore.Link link, long clipId) {
    return store.clips(link.id()).stream()
        .filter(c -> c.clipId() == clipId)
        .findFirst()
        .orElseThrow(() -> new NotThere("This clip is not shown here."));
  }

  /**
   * A clip as it is shown.
   *
   * @param noted whether this is a look of theirs, since which changes are told at the next
   */
  GuestClip clip(ProofStore.Link link, long clipId, boolean noted) {
    ProofStore.Verdict verdict = shown(link, clipId);
    int attempt = attempt(clipId);
    List<ProofWord> words = copies.words(clipId);
    List<ProofWord> before =
        (noted
                ? store.lookedAt(link.id(), clipId, attempt, words)
                : store.lastLook(link.id(), clipId, attempt))
            .orElse(null);
    TextChanges changes = TextChanges.between(before == null ? words : before, words);
    List<GuestWord> told = new ArrayList<>();
    for (int i = 0; i < words.size(); i++) {
      ProofWord w = words.get(i);
      told.add(new GuestWord(w.text(), w.fromUs(), w.toUs(), w.speaker(), changes.isNew().get(i)));
    }
    return new GuestClip(
        clipId,
        clips.byId(clipId).document().title(),
        attempt,
        episodes.transcript(link.episodeId()).transcript().speakers(),
        told,
        before != null,
        changes.gone(),
        pinned(remarks.of(link.id(), clipId), words),
        verdict.approved(),
        verdict.answeredBy(),
        verdict.answeredAttempt() != null && verdict.answeredAttempt() == attempt);
  }

  /** Remarks where their words are now; those whose words are gone stay where they were. */
  private static List<GuestRemark> pinned(List<RemarkStore.Remark> all, List<ProofWord> words) {
    List<GuestRemark> told = new ArrayList<>();
    for (RemarkStore.Remark remark : all) {
      long now =
          words.stream()
              .filter(w -> w.sourceUs() == remark.sourceUs())
              .mapToLong(ProofWord::fromUs)
              .findFirst()
              .orElse(remark.fileUs());
      told.add(GuestRemark.of(remark.at(now)));
    }
    return told;
  }

  private int attempt(long clipId) {
    return copies
        .attempt(clipId)
        .orElseThrow(() -> new NotYet("This clip is still being made; it comes in a moment."));
  }

  Path film(ProofStore.Link link, long clipId) {
    shown(link, clipId);
    return copies
        .file(clipId)
        .orElseThrow(() -> new NotYet("This clip is still being made; it comes in a moment."));
  }

  /** A still of the film of a clip. */
  Path poster(ProofStore.Link link, long clipId) {
    return posters.of(clipId, attempt(clipId), film(link, clipId));
  }

  /** What a file of a clip is called; only where the link lets files be taken along. */
  String nameToTake(ProofStore.Link link, long clipId) {
    shown(link, clipId);
    if (!link.downloads()) {
      throw new NotThere("Nothing can be taken along from here.");
    }
    return FileNames.part(clips.byId(clipId).document().title());
  }

  /**
   * Leaves a remark.
   *
   * @param fileUs where in the film
   */
  void remark(ProofStore.Link link, long clipId, RemarkStore.Saying saying, long fileUs) {
    asked(link, clipId);
    slowDown(link);
    List<ProofWord> words = copies.words(clipId);
    ProofWord word =
        words.isEmpty()
            ? new ProofWord("", fileUs, fileUs, fileUs, 0)
            : ProofWord.at(words, fileUs);
    remarks.add(link.id(), clipId, saying, word, Math.max(0, fileUs));
    changed(link, clipId);
  }

  void answer(ProofStore.Link link, long clipId, long remarkId, RemarkStore.Saying saying) {
    asked(link, clipId);
    slowDown(link);
    RemarkStore.Remark remark =
        remarks
            .byId(remarkId)
            .filter(r -> r.linkId() == link.id() && r.clipId() == clipId && r.answers() == null)
            .orElseThrow(() -> new NotThere("This remark is not there any more."));
    remarks.answer(remark, saying);
    changed(link, clipId);
  }

  /** Says yes to a clip, or asks for changes. */
  void say(ProofStore.Link link, long clipId, boolean approved, String by, int file) {
    asked(link, clipId);
    slowDown(link);
    if (attempt(clipId) != file) {
      throw new NotYet("This clip has changed just now. Look at it as it is, then say so again.");
    }
    store.answer(link.id(), clipId, approved, by, file);
    changed(link, clipId);
  }

  private void asked(ProofStore.Link link, long clipId) {
    shown(link, clipId);
    if (!link.asks()) {
      throw new NotThere("This page only shows; nothing can be said here.");
    }
  }

  private void slowDown(ProofStore.Link link) {
    if (!sayings.mayTry(link.id())) {
      throw new TooOften("That was a lot at once; wait a minute and go on.");
    }
  }

  private void changed(ProofStore.Link link, long clipId) {
    events.remarksChanged(link.episodeId(), clipId);
  }
}
