package paringknife.server.shelf;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.concurrent.TimeUnit;
import me.desair.tus.server.TusFileUploadService;
import me.desair.tus.server.exception.TusException;
import me.desair.tus.server.upload.UploadInfo;
import me.desair.tus.server.upload.disk.DiskStorageService;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.DataFolder;
import paringknife.server.web.NotThere;

/**
 * Uploads by the open tus protocol: they go on after a lost connection or a restart, and a file
 * appears in the media folder only when it is whole.
 */
@RestController
class UploadController {
  private static final String PATH = "/api/tus";
  private static final long ROOM_LEFT = 2L << 30;
  private static final long KEPT_MS = TimeUnit.DAYS.toMillis(30);

  private final DataFolder data;
  private final TusFileUploadService tus;
  private final DiskStorageService storage;
  private final Path arriving;

  UploadController(DataFolder data) throws IOException {
    this.data = data;
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
    String length = request.getHeader("Upload-Length");
    if (length != null
        && length.matches("\\d{1,18}")
        && Long.parseLong(length) > arriving.toFile().getUsableSpace() - ROOM_LEFT) {
      response.sendError(
          HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE,
          "There is not enough room on the server for this file.");
      return;
    }
    if (request.getMethod().equals("HEAD")) {
      countWhatArrived(request.getRequestURI());
    }
    tus.process(request, response);
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
  ShelfController.MediaFile finish(@RequestBody Finished finished) throws IOException {
    String address = finished.address().replaceFirst("^https?://[^/]+", "");
    try {
      UploadInfo info = tus.getUploadInfo(address);
      if (info == null || info.isUploadInProgress()) {
        throw new NotThere("This file has not arrived as a whole yet.");
      }
      String name = info.getMetadata().getOrDefault("filename", "upload");
      String plain = name.replaceAll("[^\\p{L}\\p{N}._ -]", "_").replaceAll("^\\.+", "_");
      Path place = free(data.uploads(), plain.isBlank() ? "upload" : plain);
      Files.move(data(info), place, StandardCopyOption.ATOMIC_MOVE);
      tus.deleteUpload(address);
      return new ShelfController.MediaFile(
          data.media().relativize(place).toString(),
          Files.size(place),
          TranscriptFile.isOne(place));
    } catch (TusException e) {
      throw new NotThere("This upload is not there any more. Please send the file again.");
    }
  }

  private static Path free(Path folder, String name) {
    Path place = folder.resolve(name);
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String extension = dot > 0 ? name.substring(dot) : "";
    for (int n = 2; Files.exists(place); n++) {
      place = folder.resolve(stem + " " + n + extension);
    }
    return place;
  }

  /** Uploads that nobody went on with for thirty days are given up. */
  @Scheduled(initialDelay = 5, fixedRate = 720, timeUnit = TimeUnit.MINUTES)
  void giveUpOldOnes() throws IOException {
    tus.cleanup();
  }
}
