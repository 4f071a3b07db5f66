package paringknife.server.out;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpRange;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.FileNames;
import paringknife.server.shelf.Episodes;
import paringknife.server.shelf.ShelfStore;
import paringknife.server.web.Attachment;

/** All finished files of an episode in one, streamed; a download that broke off goes on. */
@RestController
class ZipController {
  /** Others are ignored (RFC 9110, 14.2). */
  private static final String UNIT = "bytes=";

  private final Episodes episodes;
  private final Parcels parcels;
  private final ShelfStore shelves;

  ZipController(Episodes episodes, Parcels parcels, ShelfStore shelves) {
    this.shelves = shelves;
    this.episodes = episodes;
    this.parcels = parcels;
  }

  /**
   * @param subtitles the formats of captions, by what their files' names end in; {@code none} for
   *     no files of them
   * @param cuts the formats of cut lists, the same
   * @param covers whether each film has its cover beside it
   */
  @GetMapping("/api/episodes/{id}/delivery.zip")
  void zip(
      @PathVariable long id,
      @RequestParam(defaultValue = "srt,vtt") List<String> subtitles,
      @RequestParam(defaultValue = "none") List<String> cuts,
      @RequestParam(defaultValue = "true") boolean covers,
      @RequestHeader(value = HttpHeaders.RANGE, required = false) @Nullable String range,
      @RequestHeader(value = HttpHeaders.IF_RANGE, required = false) @Nullable String ifRange,
      HttpServletResponse response)
      throws IOException {
    List<ParcelFile> parcel = parcels.of(id, Asked.of(subtitles, cuts, covers).contents());
    send(parcel, episodes.row(id).title(), range, ifRange, response);
  }

  /**
   * The same of all episodes on a shelf, each in a folder of its own; without a shelf, of all that
   * there are.
   */
  @GetMapping("/api/delivery.zip")
  void zipOfShelf(
      @RequestParam(required = false) @Nullable Long shelf,
      @RequestParam(defaultValue = "srt,vtt") List<String> subtitles,
      @RequestParam(defaultValue = "none") List<String> cuts,
      @RequestParam(defaultValue = "true") boolean covers,
      @RequestHeader(value = HttpHeaders.RANGE, required = false) @Nullable String range,
      @RequestHeader(value = HttpHeaders.IF_RANGE, required = false) @Nullable String ifRange,
      HttpServletResponse response)
      throws IOException {
    List<ParcelFile> parcel = parcels.ofShelf(shelf, Asked.of(subtitles, cuts, covers).contents());
    send(parcel, shelf == null ? "Everything" : shelves.name(shelf), range, ifRange, response);
  }

  private static void send(
      List<ParcelFile> parcel,
      String name,
      @Nullable String range,
      @Nullable String ifRange,
      HttpServletResponse response)
      throws IOException {
    ParcelZip zip = new ParcelZip(parcel);
    response.setContentType("application/zip");
    response.setHeader(
        HttpHeaders.CONTENT_DISPOSITION,
        Attachment.named(FileNames.part(name) + ".zip").toString());
    long length = zip.length();
    if (!zip.isResumable()) {
      zip.write(response.getOutputStream(), 0, Long.MAX_VALUE - 1);
      return;
    }
    response.setHeader(HttpHeaders.ACCEPT_RANGES, "bytes");
    response.setHeader(HttpHeaders.ETAG, zip.tag());
    long first = 0;
    long last = length - 1;
    if (range != null && range.startsWith(UNIT) && (ifRange == null || ifRange.equals(zip.tag()))) {
      List<HttpRange> parts = HttpRange.parseRanges(range);
      if (parts.size() == 1) {
        first = parts.get(0).getRangeStart(length);
        last = parts.get(0).getRangeEnd(length);
        if (first >= length) {
          response.setHeader(HttpHeaders.CONTENT_RANGE, "bytes */" + length);
          response.setStatus(HttpStatus.REQUESTED_RANGE_NOT_SATISFIABLE.value());
          return;
        }
        response.setStatus(HttpStatus.PARTIAL_CONTENT.value());
        response.setHeader(HttpHeaders.CONTENT_RANGE, "bytes " + first + "-" + last + "/" + length);
      }
    }
    response.setContentLengthLong(last - first + 1);
    zip.write(response.getOutputStream(), first, last);
  }
}
