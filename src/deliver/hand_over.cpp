#include "deliver/hand_over.h"

#include <QCryptographicHash>
#include <algorithm>
#include <filesystem>
#include <map>
#include <nlohmann/json.hpp>

#include "core/formats/file_io.h"

namespace bristle {
namespace {

namespace fs = std::filesystem;
using Json = nlohmann::ordered_json;

using Ours = std::map<std::string, std::string>;  // hash by path

struct List {
  Ours files;
  std::string basis;
};

Result<List> listIn(const std::string& folder) {
  const std::string list = folder + "/" + kHandedOver;
  if (!fs::exists(list)) return List();
  const auto text = readFile(list);
  if (!text) return tl::unexpected(text.error());
  const Json json = Json::parse(*text, nullptr, false);
  const auto broken = [&] {
    return fail(list, "is no list of what was handed over; move it away, and what it was about");
  };
  if (!json.is_object() || json.value("bristleDelivery", 0) != 1 || !json.contains("files") ||
      !json["files"].is_object())
    return broken();
  List out;
  if (json.contains("basis") && json["basis"].is_string()) out.basis = json["basis"];
  for (const auto& [path, hash] : json["files"].items()) {
    // Nothing outside the folder is ever touched, whatever the list says.
    if (!hash.is_string() || path.empty() || path.front() == '/' || path.find("..") != path.npos)
      return broken();
    out.files[path] = hash.get<std::string>();
  }
  return out;
}

std::string listOf(const std::vector<MadeFile>& files, const std::string& basis) {
  Ours all;
  for (const MadeFile& file : files) all[file.path] = hashOfBytes(file.bytes);
  Json json{{"bristleDelivery", 1}};
  if (!basis.empty()) json["basis"] = basis;
  json["files"] = Json::object();
  for (const auto& [path, hash] : all) json["files"][path] = hash;
  return json.dump(1) + "\n";
}

struct Plan {
  HandedOver told;
  std::vector<const MadeFile*> write;
  Ours ours;
};

Result<Plan> planFor(const std::string& folder, const std::vector<MadeFile>& files, bool over) {
  auto list = listIn(folder);
  if (!list) return tl::unexpected(list.error());
  Plan plan;
  plan.ours = std::move(list->files);
  std::string inTheWay;
  std::vector<std::string> made;
  for (const MadeFile& file : files) {
    made.push_back(file.path);
    const std::string path = folder + "/" + file.path;
    std::error_code failed;
    const auto known = plan.ours.find(file.path);
    if (!fs::exists(fs::symlink_status(path, failed))) {
      plan.write.push_back(&file);
      continue;
    }
    const auto there = readFile(path);
    const std::string hash = there ? hashOfBytes(*there) : std::string();
    if (there && *there == file.bytes) {
      plan.told.same.push_back(file.path);
    } else if (!over && known == plan.ours.end()) {
      inTheWay += "\n  " + file.path + ": is not Bristle’s";
    } else if (!over && hash != known->second) {
      inTheWay += "\n  " + file.path + ": was changed since it was handed over";
    } else {
      plan.write.push_back(&file);
    }
  }
  if (!inTheWay.empty())
    return fail(folder, "nothing was written, since these are in the way:" + inTheWay);
  std::sort(made.begin(), made.end());
  for (const auto& [path, hash] : plan.ours) {
    if (std::binary_search(made.begin(), made.end(), path)) continue;
    const std::string file = folder + "/" + path;
    if (!fs::exists(file)) continue;
    const auto there = readFile(file);
    (there && hashOfBytes(*there) == hash ? plan.told.removed : plan.told.left).push_back(path);
  }
  for (const MadeFile* file : plan.write) plan.told.written.push_back(file->path);
  return plan;
}

// Those that hold nothing any more, up to the delivery's own.
void removeEmpty(const std::string& folder, const std::string& path) {
  std::error_code failed;
  for (fs::path at = fs::path(path).parent_path(); !at.empty(); at = at.parent_path())
    if (!fs::remove(fs::path(folder) / at, failed)) return;
}

}  // namespace

Result<HandedOver> wouldHandOver(const std::string& folder, const std::vector<MadeFile>& files,
                                 bool over) {
  auto plan = planFor(folder, files, over);
  if (!plan) return tl::unexpected(plan.error());
  return std::move(plan->told);
}

Result<HandedOver> handOver(const std::string& folder, const std::vector<MadeFile>& files,
                            bool over, const std::string& basis) {
  auto plan = planFor(folder, files, over);
  if (!plan) return tl::unexpected(plan.error());
  // Ours that somebody changed stay, and are nobody's any more.
  const std::string list = listOf(files, basis);
  const std::string listPath = folder + "/" + kHandedOver;
  const auto before =
      fs::exists(listPath) ? readFile(listPath) : Result<std::string>(std::string());
  const bool otherList = !before || *before != list;
  if (plan->write.empty() && plan->told.removed.empty() && !otherList) return std::move(plan->told);
  std::error_code failed;
  FileBatch batch;
  for (const MadeFile* file : plan->write) {
    const fs::path path = fs::path(folder) / file->path;
    fs::create_directories(path.parent_path(), failed);
    if (failed) return fail(path.parent_path().string(), "cannot be made: " + failed.message());
    if (auto added = batch.add(path.string(), file->bytes); !added)
      return tl::unexpected(added.error());
  }
  fs::create_directories(folder, failed);
  if (otherList)
    if (auto added = batch.add(listPath, list); !added) return tl::unexpected(added.error());
  if (auto done = batch.commit(); !done) return tl::unexpected(done.error());
  for (const std::string& path : plan->told.removed) {
    fs::remove(folder + "/" + path, failed);
    removeEmpty(folder, path);
  }
  return std::move(plan->told);
}

std::optional<HandedOver> isThere(const std::string& folder, const std::string& basis) {
  const auto list = listIn(folder);
  if (!list || basis.empty() || list->basis != basis) return {};
  HandedOver out;
  for (const auto& [path, hash] : list->files) {
    const auto there = readFile(folder + "/" + path);
    if (!there || hashOfBytes(*there) != hash) return {};
    out.same.push_back(path);
  }
  return out;
}

std::string hashOfBytes(const std::string& bytes) {
  const QByteArrayView view(bytes.data(), qsizetype(bytes.size()));
  QCryptographicHash hash(QCryptographicHash::Sha256);
  hash.addData(view);
  return hash.result().toHex().toStdString();
}

}  // namespace bristle
