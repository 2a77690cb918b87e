// What is handed over again and again: only what is otherwise is written, and nothing of others is
// touched.
#include "deliver/hand_over.h"

#include <gmock/gmock.h>
#include <sys/resource.h>
#include <sys/stat.h>
#include <unistd.h>

#include <QTemporaryDir>
#include <csignal>
#include <filesystem>
#include <map>

#include "core/formats/file_io.h"

namespace bristle {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::UnorderedElementsAre;
namespace fs = std::filesystem;

class HandOver : public testing::Test {
 protected:
  std::string path(const std::string& name) const { return folder() + "/" + name; }
  std::string folder() const { return temporary_.path().toStdString() + "/out"; }
  std::string read(const std::string& name) const {
    return readFile(path(name)).value_or("(none)");
  }
  void write(const std::string& name, const std::string& bytes) {
    fs::create_directories(fs::path(path(name)).parent_path());
    ASSERT_TRUE(writeFile(path(name), bytes));
  }
  const std::vector<MadeFile> files{{"index.html", "page"}, {"sheets/sheet-1.png", "png"}};

 private:
  QTemporaryDir temporary_;
};

TEST_F(HandOver, ASecondTimeNothingIsWritten) {
  const auto first = handOver(folder(), files);
  ASSERT_TRUE(first) << first.error().text();
  EXPECT_THAT(first->written, ElementsAre("index.html", "sheets/sheet-1.png"));
  EXPECT_EQ(read("sheets/sheet-1.png"), "png");
  const auto stamps = [&] {
    return std::vector{stampOf(path("index.html")), stampOf(path("sheets/sheet-1.png")),
                       stampOf(path(kHandedOver))};
  };
  const auto before = stamps();
  const auto second = handOver(folder(), files);
  ASSERT_TRUE(second);
  EXPECT_TRUE(second->written.empty());
  EXPECT_EQ(second->same.size(), 2u);
  EXPECT_EQ(stamps(), before);
}

TEST_F(HandOver, WritesWhatIsOtherwiseAndRemovesWhatIsNoMore) {
  ASSERT_TRUE(handOver(folder(), files));
  write("theirs.txt", "mine");
  const std::vector<MadeFile> next{{"index.html", "another page"}};
  const auto would = wouldHandOver(folder(), next);
  ASSERT_TRUE(would);
  EXPECT_THAT(would->removed, ElementsAre("sheets/sheet-1.png"));
  EXPECT_EQ(read("index.html"), "page") << "looking changes nothing";
  const auto done = handOver(folder(), next);
  ASSERT_TRUE(done) << done.error().text();
  EXPECT_THAT(done->written, ElementsAre("index.html"));
  EXPECT_EQ(read("index.html"), "another page");
  EXPECT_FALSE(fs::exists(path("sheets"))) << "its folder is empty, and goes, too";
  EXPECT_EQ(read("theirs.txt"), "mine");
}

TEST_F(HandOver, AFileOfSomebodyElseIsInTheWay) {
  write("index.html", "somebody’s own");
  const auto done = handOver(folder(), files);
  ASSERT_FALSE(done);
  EXPECT_THAT(done.error().text(), HasSubstr("index.html: is not Bristle’s"));
  EXPECT_EQ(read("index.html"), "somebody’s own");
  EXPECT_FALSE(fs::exists(path("sheets/sheet-1.png"))) << "all or nothing";
  EXPECT_FALSE(fs::exists(path(kHandedOver)));
  ASSERT_TRUE(handOver(folder(), files, true));
  EXPECT_EQ(read("index.html"), "page");
}

TEST_F(HandOver, AFileThatWasChangedByHandIsKept) {
  ASSERT_TRUE(handOver(folder(), files));
  write("index.html", "page, mended by hand");
  const auto again = handOver(folder(), {{"index.html", "new page"}});
  ASSERT_FALSE(again);
  EXPECT_THAT(again.error().text(), HasSubstr("was changed since"));
  EXPECT_EQ(read("index.html"), "page, mended by hand");
  EXPECT_EQ(read("sheets/sheet-1.png"), "png");
  // Where it is no longer made it stays, and is told.
  const auto without = handOver(folder(), {{"other.txt", "x"}});
  ASSERT_TRUE(without) << without.error().text();
  EXPECT_THAT(without->left, ElementsAre("index.html"));
  EXPECT_THAT(without->removed, ElementsAre("sheets/sheet-1.png"));
  EXPECT_EQ(read("index.html"), "page, mended by hand");
}

TEST_F(HandOver, WhatIsThereAndOfTheSameNeedNotBeMade) {
  EXPECT_FALSE(isThere(folder(), "of this"));
  ASSERT_TRUE(handOver(folder(), files, false, "of this"));
  const auto there = isThere(folder(), "of this");
  ASSERT_TRUE(there);
  EXPECT_EQ(there->same.size(), 2u);
  EXPECT_FALSE(isThere(folder(), "of that"));
  EXPECT_FALSE(isThere(folder(), ""));
  fs::remove(path("index.html"));
  EXPECT_FALSE(isThere(folder(), "of this")) << "somebody took a file away";
}

TEST_F(HandOver, AListThatIsNoneOrLeadsOutIsRefused) {
  for (const std::string list : {"{", "{}", R"({"bristleDelivery":1,"files":{"../secret":"0"}})",
                                 R"({"bristleDelivery":1,"files":{"/etc/passwd":"0"}})",
                                 R"({"bristleDelivery":1,"files":[]})"}) {
    write(kHandedOver, list);
    const auto done = handOver(folder(), files);
    ASSERT_FALSE(done) << list;
    EXPECT_THAT(done.error().text(), HasSubstr(kHandedOver));
    EXPECT_FALSE(fs::exists(path("index.html")));
  }
}

TEST_F(HandOver, WhereNothingCanBeWrittenAllStaysAsItWas) {
  EXPECT_FALSE(handOver("/proc/nowhere", files));
  // A folder stands where a file is to be.
  fs::create_directories(path("sheets/sheet-1.png"));
  EXPECT_FALSE(handOver(folder(), files, true));
  EXPECT_FALSE(fs::exists(path("index.html")));
  EXPECT_FALSE(fs::exists(path(kHandedOver)));
}

// The disk is full after the first file: what was there stays, all of it.
TEST_F(HandOver, ADiskThatFillsUpInTheMiddleChangesNothing) {
  ASSERT_TRUE(handOver(folder(), files, false, "first"));
  const auto bytes = [&] {
    std::map<std::string, std::string> out;
    for (const auto& each : fs::recursive_directory_iterator(folder()))
      if (each.is_regular_file())
        out[each.path().string()] = readFile(each.path().string()).value();
    return out;
  };
  const auto before = bytes();
  // A limit on the size of files stands in for the full disk.
  rlimit limit{};
  getrlimit(RLIMIT_FSIZE, &limit);
  const auto handler = signal(SIGXFSZ, SIG_IGN);
  rlimit small{10000, limit.rlim_max};
  setrlimit(RLIMIT_FSIZE, &small);
  const auto done = handOver(folder(), {{"index.html", "next"},
                                        {"sheets/sheet-1.png", std::string(100000, 'x')},
                                        {"z.txt", "last"}});
  setrlimit(RLIMIT_FSIZE, &limit);
  signal(SIGXFSZ, handler);
  ASSERT_FALSE(done);
  EXPECT_THAT(done.error().text(), HasSubstr("sheet-1.png"));
  EXPECT_EQ(bytes(), before) << "no file is otherwise, more or less";
  const auto again = handOver(folder(), {{"index.html", "next"}});
  EXPECT_TRUE(again) << "and it can be done once there is room";
}

TEST_F(HandOver, AFolderThatBecomesReadOnlyKeepsWhatItHas) {
  if (::getuid() == 0) GTEST_SKIP() << "nothing is read-only to root";
  ASSERT_TRUE(handOver(folder(), files));
  fs::permissions(path("sheets"), fs::perms::owner_read | fs::perms::owner_exec);
  const auto done = handOver(folder(), {{"index.html", "next"}, {"sheets/sheet-1.png", "next"}});
  fs::permissions(path("sheets"), fs::perms::owner_all);
  ASSERT_FALSE(done);
  EXPECT_EQ(read("index.html"), "page");
  EXPECT_EQ(read("sheets/sheet-1.png"), "png");
}

}  // namespace
}  // namespace bristle
