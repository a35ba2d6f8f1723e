#pragma once
// The framework's calls that the sketch uses; each writes down what it was asked for.
#include <cstdint>
#include <cstdio>
#include <string>
const int LOW = 0, HIGH = 1, INPUT = 0, OUTPUT = 1, MSBFIRST = 1, SPI_MODE0 = 0, SPI_MODE1 = 1, SPI_MODE2 = 2, SPI_MODE3 = 3;
const int A0 = 100, A1 = 101, A2 = 102, A3 = 103, A4 = 104, A5 = 105;
inline void digitalWrite(int pin, int level) {
  if (pin >= 100) printf("pin A%d %d\n", pin - 100, level); else printf("pin %d %d\n", pin, level);
}
// Busy for a while whenever it is asked.
inline int digitalRead(int pin) {
  static int times;
  int level = ++times % 4 != 0;
  printf("asked %d %d\n", pin, level);
  return level;
}
inline void pinMode(int pin, int mode) {
  if (mode == INPUT) {
    if (pin >= 100) printf("free A%d\n", pin - 100); else printf("free %d\n", pin);
  }
}
inline void delay(unsigned long) {}
inline void delayMicroseconds(unsigned int) {}
class TwoWire {
  std::string line;
 public:
  void begin() {}
  void setClock(uint32_t) {}
  void beginTransmission(uint8_t address) { line = "i2c " + std::to_string(address); }
  void write(uint8_t value) { line += " " + std::to_string(value); }
  uint8_t endTransmission() { printf("%s\n", line.c_str()); return 0; }
};
struct SPISettings { SPISettings(uint32_t, int, int) {} };
class SerialBus {
 public:
  void begin() {}
  void beginTransaction(SPISettings) {}
  uint8_t transfer(uint8_t value) { printf("spi %d\n", value); return 0; }
};
static TwoWire Wire, Wire1;
static SerialBus SPI;
