package izzet.core.decode;

import izzet.core.capture.TimeScale;

/** The open JSON form of a transfer: one object, no line feeds. {@code docs/formats.md} describes it. */
public final class TransferJson {

    private TransferJson() {}

    public static void append(StringBuilder json, I2cTransfer t, TimeScale scale) {
        json.append("{\"startNs\":").append(scale.nanoseconds(t.start()));
        json.append(",\"endNs\":").append(scale.nanoseconds(t.end()));
        json.append(",\"begin\":\"").append(t.begin().text());
        json.append("\",\"end\":\"").append(t.ending().text());
        json.append("\",\"address\":").append(t.address());
        json.append(",\"addressBits\":").append(t.addressBits());
        json.append(",\"read\":").append(t.read());
        json.append(",\"ack\":").append(t.ack());
        json.append(",\"data\":[");
        for (int i = 0; i < t.size(); i++) {
            json.append(i == 0 ? "{\"value\":" : ",{\"value\":").append(t.value(i));
            json.append(",\"ack\":").append(t.acks()[i]).append('}');
        }
        json.append("]}");
    }
}
