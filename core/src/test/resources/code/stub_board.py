# The platform's calls that the program uses; each writes down what it was asked for.
import sys
import time
import types


class Pin:
    OUT, OPEN_DRAIN, IN = 1, 2, 3
    asked = 0

    def __init__(self, number, mode=None, value=None):
        self.number, self.drain = number, mode == Pin.OPEN_DRAIN
        if mode == Pin.IN:
            print("free %d" % number)
        if value is not None and not self.drain:
            self.value(value)

    def value(self, level=None):
        if level is None:
            # Busy for a while whenever it is asked.
            Pin.asked += 1
            print("asked %d %d" % (self.number, Pin.asked % 4 != 0))
            return int(Pin.asked % 4 != 0)
        if self.drain and level:
            print("free %d" % self.number)
        else:
            print("pin %d %d" % (self.number, level))


class I2C:
    def __init__(self, number, sda, scl, freq):
        pass

    def writeto(self, address, data):
        print("i2c %d %s" % (address, " ".join(str(b) for b in data)))


class SPI:
    def __init__(self, number, baudrate, polarity, phase, sck, mosi, miso=None):
        pass

    def write(self, data):
        sys.stdout.write("".join("spi %d\n" % b for b in data))


machine = types.ModuleType("machine")
machine.Pin, machine.I2C, machine.SPI = Pin, I2C, SPI
sys.modules["machine"] = machine
time.sleep_ms = time.sleep_us = lambda value: None
exec(compile(open("bringup.py").read(), "bringup.py", "exec"), {"__name__": "__main__"})
