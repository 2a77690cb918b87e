#include "core/formats/file_io.h"

#include <gmock/gmock.h>
#include <signal.h>
#include <sys/resource.h>
#include <sys/stat.h>
#include <unistd.h>

#include <filesystem>
#include <fstream>

namespace bristle {
namespace {

namespace fs = std::filesystem;
using testing::HasSubstr;

class Files : public testing::Test {
 protected:
  Files() : folder_(fs::temp_directory_path() / ("bristle-" + std::to_string(::getpid()))) {
    fs::create_directories(folder_);
  }
  ~Files() override { fs::remove_all(folder_); }
  std::string path(const std::string& name) const { return (folder_ / name).string(); }
  size_t count() const {
    return static_cast<size_t>(
        std::distance(fs::directory_iterator(folder_), fs::directory_iterator()));
  }
  fs::path folder_;
};

TEST_F(Files, WritesWholeAndReadsBack) {
  const std::string text(300000, 'x');
  ASSERT_TRUE(writeFile(path("a"), text));
  EXPECT_EQ(*readFile(path("a")), text);
  EXPECT_EQ(count(), 1U) << "no temporary file is left";
}

TEST_F(Files, AFullDiskLeavesTheOldFileAndNothingElse) {
  ASSERT_TRUE(writeFile(path("a"), "old and precious"));
  // A limit on the size of files stands in for the full disk: the write fails part of the way.
  rlimit before{};
  getrlimit(RLIMIT_FSIZE, &before);
  const auto handler = signal(SIGXFSZ, SIG_IGN);
  rlimit small{10000, before.rlim_max};
  setrlimit(RLIMIT_FSIZE, &small);
  const auto written = writeFile(path("a"), std::string(100000, 'x'));
  setrlimit(RLIMIT_FSIZE, &before);
  signal(SIGXFSZ, handler);
  ASSERT_FALSE(written);
  EXPECT_THAT(written.error().text(), HasSubstr("what was there is as it was"));
  EXPECT_EQ(*readFile(path("a")), "old and precious");
  EXPECT_EQ(count(), 1U);
}

TEST_F(Files, AFolderThatCannotBeWrittenIsToldAndNothingLost) {
  const auto written = writeFile("/proc/nothing/here.bristle", "x");
  ASSERT_FALSE(written);
  EXPECT_THAT(written.error().text(), HasSubstr("/proc/nothing/here.bristle: cannot be written"));
  if (::getuid() == 0) return;  // nothing is read-only to root
  ASSERT_TRUE(writeFile(path("a"), "old"));
  fs::permissions(folder_, fs::perms::owner_read | fs::perms::owner_exec);
  EXPECT_FALSE(writeFile(path("a"), "new"));
  fs::permissions(folder_, fs::perms::owner_all);
  EXPECT_EQ(*readFile(path("a")), "old");
}

TEST_F(Files, ALinkStaysALinkAndPermissionsStay) {
  ASSERT_TRUE(writeFile(path("real"), "1"));
  fs::permissions(path("real"), fs::perms::owner_read | fs::perms::owner_write);
  fs::create_symlink(path("real"), path("link"));
  ASSERT_TRUE(writeFile(path("link"), "2"));
  EXPECT_TRUE(fs::is_symlink(path("link")));
  EXPECT_EQ(*readFile(path("real")), "2");
  struct stat s {};
  ::stat(path("real").c_str(), &s);
  EXPECT_EQ(s.st_mode & 0777, 0600U);
}

TEST_F(Files, AStampTellsWhenSomebodyElseWrote) {
  const auto mine = *writeFile(path("a"), "mine");
  EXPECT_EQ(stampOf(path("a")), mine);
  std::ofstream(path("a")) << "theirs";
  EXPECT_NE(stampOf(path("a")), mine);
  fs::remove(path("a"));
  EXPECT_EQ(stampOf(path("a")).size, -1);
}

TEST_F(Files, WhatAKilledRunLeftIsRemovedButNotWhatOthersWrite) {
  const auto left = path(".a.bristle-part-abcdef"), other = path(".b.bristle-part-abcdef");
  const auto mine = path("a.notes");
  for (const auto& file : {left, other, mine}) std::ofstream(file) << "x";
  ASSERT_TRUE(writeFile(path("a"), "1"));
  EXPECT_FALSE(fs::exists(left));
  EXPECT_TRUE(fs::exists(other)) << "of another file";
  EXPECT_TRUE(fs::exists(mine));
}

TEST_F(Files, DevicesFoldersAndLinksThatLeadNowhereAreNeverWrittenOver) {
  fs::create_symlink(path("nowhere"), path("dangling"));
  EXPECT_THAT(writeFile(path("dangling"), "x").error().text(), HasSubstr("leads nowhere"));
  EXPECT_FALSE(fs::exists(path("nowhere")));
  EXPECT_THAT(writeFile("/dev/null", "x").error().text(), HasSubstr("a device"));
  ASSERT_EQ(::mkfifo(path("pipe").c_str(), 0600), 0);
  EXPECT_THAT(writeFile(path("pipe"), "x").error().text(), HasSubstr("a pipe"));
  EXPECT_THAT(writeFile(folder_.string(), "x").error().text(), HasSubstr("a folder"));
  EXPECT_THAT(writeFile("", "x").error().text(), HasSubstr("file’s name"));
}

TEST_F(Files, APipeIsNotWaitedFor) {
  ASSERT_EQ(::mkfifo(path("pipe").c_str(), 0600), 0);
  EXPECT_THAT(readFile(path("pipe")).error().text(), HasSubstr("a pipe"));
}

TEST_F(Files, TheStampIsThatOfTheBytesThatWereRead) {
  ASSERT_TRUE(writeFile(path("a"), "first"));
  const auto read = *readStamped(path("a"));
  EXPECT_EQ(read.stamp, stampOf(path("a")));
  ASSERT_TRUE(writeFile(path("a"), "secnd"));
  EXPECT_NE(read.stamp, stampOf(path("a")));
}

TEST_F(Files, ABatchIsAllOrNothingUntilItIsCommitted) {
  ASSERT_TRUE(writeFile(path("a"), "old"));
  {
    FileBatch batch;
    ASSERT_TRUE(batch.add(path("a"), "new"));
    ASSERT_TRUE(batch.add(path("b"), "new"));
    EXPECT_FALSE(batch.add("/dev/null", "new"));
  }
  EXPECT_EQ(*readFile(path("a")), "old");
  EXPECT_EQ(count(), 1U);
  FileBatch batch;
  ASSERT_TRUE(batch.add(path("a"), "new"));
  ASSERT_TRUE(batch.add(path("b"), "new"));
  ASSERT_TRUE(batch.commit());
  EXPECT_EQ(*readFile(path("a")), "new");
  EXPECT_EQ(count(), 2U);
}

TEST_F(Files, WhatCannotBeReadIsTold) {
  EXPECT_THAT(readFile(path("none")).error().text(), HasSubstr("cannot be opened"));
  EXPECT_THAT(readFile(folder_.string()).error().text(), HasSubstr("is a folder"));
  ASSERT_TRUE(writeFile(path("big"), std::string(3 << 20, 'x')));
  EXPECT_THAT(readFile(path("big"), 1 << 20).error().text(), HasSubstr("larger than 1 MiB"));
}

}  // namespace
}  // namespace bristle
