package paringknife.server.proof;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import paringknife.core.writing.OneLine;
import paringknife.server.clips.ClipStore;
import paringknife.server.deliver.ProofCopies;
import paringknife.server.events.Events;
import paringknife.server.secrets.KeptPasswords;
import paringknife.server.secrets.Token;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.GuestDoor;
import paringknife.server.web.NotThere;
import paringknife.server.web.TeamDoor;

/** What a producer shows for a yes, and what is said of it. */
@Service
class Proofs {
  private static final int LONGEST_TITLE = 200;
  private static final int MOST_CLIPS = 200;
  private static final int LONGEST_DAYS = 3_650;

  private final Episodes episodes;
  private final ClipStore clips;
  private final ProofStore store;
  private final RemarkStore remarks;
  private final ProofCopies copies;
  private final KeptPasswords passwords;
  private final GuestDoor guests;
  private final TeamDoor team;
  private final Events events;

  Proofs(
      Episodes episodes,
      ClipStore clips,
      ProofStore store,
      RemarkStore remarks,
      ProofCopies copies,
      KeptPasswords passwords,
      GuestDoor guests,
      TeamDoor team,
      Events events) {
    this.team = team;
    this.guests = guests;
    this.episodes = episodes;
    this.clips = clips;
    this.store = store;
    this.remarks = remarks;
    this.copies = copies;
    this.passwords = passwords;
    this.events = events;
  }

  /**
   * What a link is asked to be.
   *
   * @param days how long it holds; null for ever
   * @param downloads whether guests may take files, text and subtitles along
   * @param password null for none
   * @param asks whether guests are asked for a yes, as they are for null; else they are only shown
   */
  record LinkAsked(
      String title,
      List<Long> clips,
      @Nullable Integer days,
      boolean downloads,
      @Nullable String password,
      @Nullable Boolean asks) {}

  /** A clip of a link as the producer sees it. */
  record ShownClip(
      long clipId,
      String title,
      ProofCopies.Copy copy,
      @Nullable Boolean approved,
      @Nullable String answeredBy,
      boolean answeredNow) {}

  /** A link as the producer sees it. */
  record ProofLink(
      long id,
      String token,
      String title,
      @Nullable Instant expiresAt,
      boolean holds,
      boolean downloads,
      boolean locked,
      boolean asks,
      List<ShownClip> clips) {}

  /**
   * All that is shown of an episode.
   *
   * @param address what links begin with; null for the producer's own
   * @param open how many remarks of each clip are open
   */
  record ProofsOfEpisode(
      @Nullable String address, List<ProofLink> links, Map<Long, Integer> open) {}

  ProofsOfEpisode of(long episodeId) {
    episodes.row(episodeId);
    return new ProofsOfEpisode(
        guests.url().or(this::ofTeam).orElse(null),
        store.ofEpisode(episodeId).stream().map(this::told).toList(),
        remarks.openIn(episodeId));
  }

  /** Where the team signs in, links open too. */
  private Optional<String> ofTeam() {
    return team.isOpen() ? Optional.of(team.url()) : Optional.empty();
  }

  private ProofLink told(ProofStore.Link link) {
    return new ProofLink(
        link.id(),
        link.token(),
        link.title(),
        link.expiresAt(),
        link.holds(Instant.now()),
        link.downloads(),
        link.password() != null,
        link.asks(),
        store.clips(link.id()).stream().map(this::told).toList());
  }

  private ShownClip told(ProofStore.Verdict verdict) {
    ClipStore.StoredClip clip = clips.byId(verdict.clipId());
    ProofCopies.Copy copy = copies.of(clip);
    return new ShownClip(
        clip.id(),
        clip.document().title(),
        copy,
        verdict.approved(),
        verdict.answeredBy(),
        verdict.answeredAttempt() != null && verdict.answeredAttempt().equals(copy.attempt()));
  }

  ProofLink add(long episodeId, LinkAsked asked) {
    String title = OneLine.of(asked.title());
    List<Long> shown = asked.clips().stream().distinct().toList();
    if (title.isEmpty() || title.length() > LONGEST_TITLE) {
      throw new IllegalArgumentException(
          "A link needs a heading of up to " + LONGEST_TITLE + " characters.");
    }
    if (shown.isEmpty() || shown.size() > MOST_CLIPS) {
      throw new IllegalArgumentException("A link shows 1 to " + MOST_CLIPS + " clips.");
    }
    Integer days = asked.days();
    if (days != null && (days < 1 || days > LONGEST_DAYS)) {
      throw new IllegalArgumentException("A link holds for 1 to " + LONGEST_DAYS + " days.");
    }
    List<ClipStore.StoredClip> all = shown.stream().map(clips::byId).toList();
    if (all.stream().anyMatch(c -> c.episodeId() != episodeId)) {
      throw new IllegalArgumentException("A link shows clips of one episode.");
    }
    long id =
        store.add(
            new ProofStore.NewLink(
                Token.fresh(),
                episodeId,
                title,
                days == null ? null : Instant.now().plus(Duration.ofDays(days)),
                asked.downloads(),
                keptPassword(asked.password()),
                !Boolean.FALSE.equals(asked.asks()),
                shown));
    all.forEach(copies::make);
    return told(store.byId(id).orElseThrow());
  }

  private @Nullable String keptPassword(@Nullable String password) {
    if (password == null || password.isEmpty()) {
      return null;
    }
    if (password.length() > KeptPasswords.LONGEST) {
      throw new IllegalArgumentException(
          "A password has up to " + KeptPasswords.LONGEST + " characters.");
    }
    return passwords.kept(password);
  }

  void withdraw(long id) {
    store.withdraw(byId(id).id());
  }

  /** Has guests see the clips of a link as they are now. */
  void showNow(long id) {
    store.clips(byId(id).id()).forEach(c -> copies.make(clips.byId(c.clipId())));
  }

  private ProofStore.Link byId(long id) {
    return store.byId(id).orElseThrow(() -> new NotThere("This link is not there any more."));
  }

  List<RemarkStore.Remark> remarksOf(long clipId) {
    return remarks.ofClip(clips.byId(clipId).id());
  }

  List<RemarkStore.Remark> answer(long remarkId, RemarkStore.Saying saying) {
    RemarkStore.Remark remark = remark(remarkId);
    remarks.answer(remark, saying);
    changed(remark.clipId());
    return remarks.ofClip(remark.clipId());
  }

  List<RemarkStore.Remark> setDone(long remarkId, boolean done) {
    RemarkStore.Remark remark = remark(remarkId);
    remarks.setDone(remark.id(), done);
    changed(remark.clipId());
    return remarks.ofClip(remark.clipId());
  }

  private RemarkStore.Remark remark(long id) {
    return remarks
        .byId(id)
        .filter(r -> r.answers() == null)
        .orElseThrow(() -> new NotThere("This remark is not there any more."));
  }

  private void changed(long clipId) {
    events.remarksChanged(clips.byId(clipId).episodeId(), clipId);
  }
}
