package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;

/** A photograph of an entry of a log, scaled, with nothing but its picture in it. */
@Entity
@Table(name = "log_photo")
public final class LogPhotoRow {

    private static final int MOST_NAME = 200;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private long entryId;

    @Column(length = MOST_NAME, nullable = false)
    private String name;

    private int width;

    private int height;

    @Lob
    @Column(nullable = false)
    private byte[] jpeg;

    protected LogPhotoRow() {}

    public LogPhotoRow(long entryId, String name, int width, int height, byte[] jpeg) {
        this.entryId = entryId;
        this.name = name;
        this.width = width;
        this.height = height;
        this.jpeg = jpeg;
    }

    public byte[] jpeg() {
        return jpeg;
    }
}
