// Sound files, good and bad, and what comes out of the device (SDL's own that writes to a file).
#include <gmock/gmock.h>
#include <sndfile.h>

#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include "devices/speaker.h"
#include "paint/convert.h"
#include "tone.h"

namespace bristle::test {
namespace {

std::string whyOf(const std::string& path) {
  const auto slash = path.rfind('/');
  return whyNoSound(path.substr(0, slash), path.substr(slash + 1));
}

using testing::HasSubstr;

class SoundFiles : public testing::Test {
 protected:
  QTemporaryDir folder;
  std::string path(const char* name) { return fromQt(folder.filePath(QString::fromLatin1(name))); }
};

TEST_F(SoundFiles, WavAndOggAreRead) {
  for (const int format : {SF_FORMAT_WAV | SF_FORMAT_PCM_16, SF_FORMAT_OGG | SF_FORMAT_VORBIS}) {
    writeTone(path("tone"), 250, 2, format);
    const auto sound = readSound(path("tone"));
    ASSERT_TRUE(sound) << sound.error().text();
    EXPECT_EQ(sound->channels, 2);
    EXPECT_NEAR(double(sound->length()), 250, 2);
    EXPECT_EQ(whyOf(path("tone")), "");
    const float loudest = *std::max_element(sound->samples.begin(), sound->samples.end());
    EXPECT_NEAR(loudest, 0.5, 0.05);
  }
}

TEST_F(SoundFiles, BadOnesAreRefusedWithTheReason) {
  const auto told = [&](const char* name, const char* reason) {
    EXPECT_THAT(whyOf(path(name)), HasSubstr(reason)) << name;
    const auto read = readSound(path(name));
    ASSERT_FALSE(read) << name;
    EXPECT_THAT(read.error().place, HasSubstr(name));
  };
  told("nowhere.wav", "missing");
  QDir(folder.path()).mkdir(QStringLiteral("folder.wav"));
  told("folder.wav", "missing");
  QFile text(folder.filePath(QStringLiteral("text.wav")));
  ASSERT_TRUE(text.open(QIODevice::WriteOnly));
  text.write("this is no sound at all, however it is called");
  text.close();
  told("text.wav", "not a sound");
  writeTone(path("long.wav"), 600'000, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_U8, 8000);
  told("long.wav", "it lasts 600 s; expected 30 s at most");
  writeTone(path("six.wav"), 100, 6, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
  told("six.wav", "6 channels");
  writeTone(path("other.aiff"), 100, 1, SF_FORMAT_AIFF | SF_FORMAT_PCM_16);
  told("other.aiff", "WAV or OGG");
  writeTone(path("nothing.wav"), 0, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
  told("nothing.wav", "nothing in it");
}

TEST_F(SoundFiles, EveryTruncationIsReadOrRefusedAndNeverCrashes) {
  writeTone(path("whole.ogg"), 120, 1, SF_FORMAT_OGG | SF_FORMAT_VORBIS);
  QFile whole(folder.filePath(QStringLiteral("whole.ogg")));
  ASSERT_TRUE(whole.open(QIODevice::ReadOnly));
  const QByteArray bytes = whole.readAll();
  for (int size = 0; size < bytes.size(); size += 97) {
    QFile part(folder.filePath(QStringLiteral("part.ogg")));
    ASSERT_TRUE(part.open(QIODevice::WriteOnly | QIODevice::Truncate));
    part.write(bytes.left(size));
    part.close();
    const auto read = readSound(path("part.ogg"));
    if (!read) {
      EXPECT_FALSE(read.error().reason.empty());
    }
  }
}

TEST_F(SoundFiles, WhatIsPlayedComesOutOfTheDeviceAndEnds) {
  const QString out = folder.filePath(QStringLiteral("heard.raw"));
  qputenv("SDL_AUDIODRIVER", "disk");
  qputenv("SDL_DISKAUDIOFILE", out.toUtf8());
  writeTone(path("tone.wav"), 80, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_16, 22050);
  {
    Speaker speaker;
    const auto sound = std::make_shared<const Sound>(*readSound(path("tone.wav")));
    speaker.play(sound, 0.5);
    speaker.play(sound, 0.25);
    EXPECT_EQ(speaker.problem(), "");
    ASSERT_TRUE(QTest::qWaitFor([&] { return speaker.playing() == 0; }, 20'000));
  }
  QFile heard(out);
  ASSERT_TRUE(heard.open(QIODevice::ReadOnly));
  const QByteArray bytes = heard.readAll();
  std::vector<float> samples(size_t(bytes.size()) / sizeof(float));
  std::memcpy(samples.data(), bytes.constData(), samples.size() * sizeof(float));
  const float loudest = *std::max_element(samples.begin(), samples.end());
  // The tone's 0.5, at a half and at a quarter, one on top of the other or after it.
  EXPECT_GE(loudest, 0.24F);
  EXPECT_LE(loudest, 0.39F);
  qunsetenv("SDL_DISKAUDIOFILE");
  qputenv("SDL_AUDIODRIVER", "dummy");
}

// It goes on when it has come to its end, and until it is told to stop.
TEST_F(SoundFiles, MusicIsHeardAgainAndAgain) {
  const QString out = folder.filePath(QStringLiteral("heard.raw"));
  qputenv("SDL_AUDIODRIVER", "disk");
  qputenv("SDL_DISKAUDIOFILE", out.toUtf8());
  writeTone(path("tone.wav"), 80, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_16, 22050);
  {
    Speaker speaker;
    const auto sound = std::make_shared<const Sound>(*readSound(path("tone.wav")));
    speaker.loop(sound, 0.5);
    EXPECT_EQ(speaker.playing(), 0);
    // Four times its length, in stereo frames of 32 bits.
    constexpr qint64 kBytes = 4 * 44100 * 80 / 1000 * 8;
    ASSERT_TRUE(QTest::qWaitFor([&] { return QFile(out).size() > kBytes; }, 20'000));
    speaker.loop(nullptr, 0);
  }
  QFile heard(out);
  ASSERT_TRUE(heard.open(QIODevice::ReadOnly));
  const QByteArray bytes = heard.readAll();
  std::vector<float> samples(size_t(bytes.size()) / sizeof(float));
  std::memcpy(samples.data(), bytes.constData(), samples.size() * sizeof(float));
  // Loud in the last of these four parts as in the first.
  const size_t part = 2 * 44100 * 80 / 1000;
  for (const size_t from : {size_t(0), 3 * part})
    EXPECT_GT(*std::max_element(samples.begin() + std::ptrdiff_t(from),
                                samples.begin() + std::ptrdiff_t(from + part)),
              0.2F);
  qunsetenv("SDL_DISKAUDIOFILE");
  qputenv("SDL_AUDIODRIVER", "dummy");
}

TEST_F(SoundFiles, WithoutADeviceItIsSilentAndSaysWhy) {
  qputenv("SDL_AUDIODRIVER", "no such driver");
  writeTone(path("tone.wav"), 80, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
  Speaker speaker;
  speaker.play(std::make_shared<const Sound>(*readSound(path("tone.wav"))), 1);
  EXPECT_NE(speaker.problem(), "");
  EXPECT_EQ(speaker.playing(), 0);
  qputenv("SDL_AUDIODRIVER", "dummy");
}

}  // namespace
}  // namespace bristle::test
