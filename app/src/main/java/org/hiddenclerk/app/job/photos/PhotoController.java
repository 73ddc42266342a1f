package org.hiddenclerk.app.job.photos;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Photos of boxes. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "survey")
class PhotoController {
    private final Photos photos;
    private final People people;

    PhotoController(Photos photos, People people) {
        this.photos = photos;
        this.people = people;
    }

    /** A photo; its picture is at /api/v1/photos/id. */
    record PhotoView(UUID id, int width, int height, String takenBy, Instant takenAt) {}

    @GetMapping("/boxes/{box}/photos")
    @Operation(operationId = "photos")
    List<PhotoView> ofBox(@PathVariable UUID box) {
        return photos.of(box).stream()
                .map(p -> new PhotoView(p.getId(), p.getWidth(), p.getHeight(), p.getTakenBy(), p.getTakenAt()))
                .toList();
    }

    @PostMapping(
            path = "/boxes/{box}/photos",
            consumes = {MediaType.IMAGE_JPEG_VALUE, MediaType.IMAGE_PNG_VALUE})
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(
            operationId = "addPhoto",
            summary = "Keep a photo, made anew without positions and at most 2000 pixels long")
    PhotoView add(@PathVariable UUID box, @RequestBody byte[] picture, Principal who) {
        PhotoRow row = photos.add(box, CleanPhoto.of(picture), people.nameOf(who));
        return new PhotoView(row.id(), row.width(), row.height(), row.takenBy(), row.takenAt());
    }

    @GetMapping(path = "/photos/{photo}", produces = MediaType.IMAGE_JPEG_VALUE)
    @Operation(operationId = "photo")
    ResponseEntity<byte[]> picture(@PathVariable UUID photo) {
        PhotoRow row = photos.find(photo);
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline().filename("box.jpg").build().toString())
                .body(row.jpeg());
    }

    @DeleteMapping("/photos/{photo}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "removePhoto")
    void remove(@PathVariable UUID photo) {
        photos.remove(photo);
    }
}
