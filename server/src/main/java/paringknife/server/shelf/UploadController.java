package paringknife.server.shelf;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import me.desair.tus.server.TusFileUploadService;
import me.desair.tus.server.exception.TusException;
import me.desair.tus.server.upload.UploadInfo;
import me.desair.tus.server.upload.disk.DiskStorageService;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.media.store.NoRoom;
import paringknife.server.episodes.DataFolder;
import paringknife.server.web.Answers;
import paringknife.server.web.NotThere;

/**
 * Uploads by the open tus protocol: they go on after a lost connection or a restart, and a file
 * appears in the media folder only when it is whole.
 */
@RestController
class UploadController {
  private static final String PATH = "/api/tus";
  private static final long ROOM_LEFT = 2L << 30;
  private static final long MEGABYTE = 1_000_000;

  /** File systems take 255; a number may come behind it. */
  private static final int LONGEST_NAME_BYTES = 240;

  private static final long KEPT_MS = TimeUnit.DAYS.toMillis(30);

  private final DataFolder data;
  private final MediaFolder folder;
  private final TusFileUploadService tus;
  private final DiskStorageService storage;
  private final Path arriving;

  UploadController(DataFolder data, MediaFolder folder) throws IOException {
    this.data = data;
    this.folder = folder;
    this.arriving = data.uploads().resolve(".arriving");
    Files.createDirectories(arriving.resolve("uploads"));
    Files.createDirectories(arriving.resolve("locks"));
    this.storage = new DiskStorageService(arriving.toString());
    this.tus =
        new TusFileUploadService()
            .withUploadUri(PATH)
            .withStoragePath(arriving.toString())
            .withUploadStorageService(storage)
            .withUploadExpirationPeriod(KEPT_MS);
  }

  /** The address of an upload that is whole. */
  record Finished(String address) {}

  @Hidden
  @RequestMapping({PATH, PATH + "/**"})
  void transfer(HttpServletRequest request, HttpServletResponse response) throws IOException {
    String refusal = refusalOf(request);
    if (!refusal.isEmpty()) {
      Answers.refuse(response, HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE, refusal);
      return;
    }
    if (request.getMethod().equals("HEAD")) {
      countWhatArrived(request.getRequestURI());
    }
    tus.process(request, response);
  }

  /** Why a file is not taken, said before any of it is sent; empty when it is. */
  private String refusalOf(HttpServletRequest request) {
    String length = request.getHeader("Upload-Length");
    long bytes = length != null && length.matches("\\d{1,18}") ? Long.parseLong(length) : 0;
    long free = Math.max(0, NoRoom.freeBytes(arriving) - ROOM_LEFT);
    if (bytes > free) {
      return String.format(
          Locale.ROOT,
          "There is not enough room on the server for this file: it has %d MB, and %d MB are free"
              + " for it.",
          bytes / MEGABYTE,
          free / MEGABYTE);
    }
    if (!request.getMethod().equals("POST")) {
      return "";
    }
    String name = fileName(request.getHeader("Upload-Metadata"));
    if (name.isBlank()) {
      return "A file needs a name.";
    }
    return name.getBytes(StandardCharsets.UTF_8).length > LONGEST_NAME_BYTES
        ? "The name of this file is too long: it may have " + LONGEST_NAME_BYTES + " bytes."
        : "";
  }

  /**
   * The {@code filename} of the tus protocol's metadata: pairs of a key and its value in Base64.
   */
  private static String fileName(@Nullable String metadata) {
    for (String pair : metadata == null ? new String[0] : metadata.split(",", 32)) {
      String[] parts = pair.strip().split(" ", 2);
      if (parts[0].equals("filename") && parts.length == 2) {
        try {
          return new String(Base64.getDecoder().decode(parts[1].strip()), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
          return "";
        }
      }
    }
    return "";
  }

  /**
   * After a kill the bytes are there, but nobody wrote down how many: none of them is asked for
   * again.
   */
  private void countWhatArrived(String address) throws IOException {
    try {
      UploadInfo info = tus.getUploadInfo(address);
      if (info != null) {
        long there = Files.size(data(info));
        if (there > info.getOffset()) {
          info.setOffset(there);
          storage.update(info);
        }
      }
    } catch (TusException e) {
      throw new NotThere("This upload is not there any more. Please send the file again.");
    }
  }

  private Path data(UploadInfo info) {
    return arriving.resolve("uploads").resolve(info.getId().toString()).resolve("data");
  }

  /** Moves a whole upload to its place and answers the name under which it can be chosen. */
  @PostMapping("/api/uploads")
  MediaFile finish(@RequestBody Finished finished) throws IOException {
    String address = finished.address().replaceFirst("^https?://[^/]{1,200}", "");
    try {
      UploadInfo info = tus.getUploadInfo(address);
      if (info == null || info.isUploadInProgress()) {
        throw new NotThere("This file has not arrived as a whole yet.");
      }
      String name = info.getMetadata().getOrDefault("filename", "upload");
      String plain = name.replaceAll("[^\\p{L}\\p{N}._ -]", "_").replaceAll("^\\.+", "_");
      Path place = putInPlace(data(info), plain.isBlank() ? "upload" : plain);
      tus.deleteUpload(address);
      return folder.file(place);
    } catch (TusException e) {
      throw new NotThere("This upload is not there any more. Please send the file again.");
    }
  }

  /** Under its own name, or with a number where that is taken; two that come together get two. */
  private Path putInPlace(Path arrived, String name) throws IOException {
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String extension = dot > 0 ? name.substring(dot) : "";
    for (int n = 1; ; n++) {
      Path place = data.uploads().resolve(n == 1 ? name : stem + " " + n + extension);
      try {
        Files.createLink(place, arrived);
        return place;
      } catch (FileAlreadyExistsException taken) {
        continue;
      }
    }
  }

  /** Uploads that nobody went on with for thirty days are given up. */
  @Scheduled(initialDelay = 5, fixedRate = 720, timeUnit = TimeUnit.MINUTES)
  void giveUpOldOnes() throws IOException {
    tus.cleanup();
  }
}
