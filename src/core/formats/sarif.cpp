#include "core/formats/sarif.h"

#include <algorithm>
#include <map>
#include <nlohmann/json.hpp>
#include <vector>

#include "core/findings/rule_info.h"
#include "runtime/formats/project_file.h"

namespace bristle {
namespace {

using Json = nlohmann::ordered_json;

constexpr const char* kSchema =
    "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json";
constexpr const char* kFingerprint = "bristleKey/v1";

std::vector<std::string_view> linesOf(std::string_view text) {
  std::vector<std::string_view> out;
  for (size_t at = 0; at < text.size();) {
    const size_t end = std::min(text.find('\n', at), text.size() - 1);
    out.push_back(text.substr(at, end + 1 - at));
    at = end + 1;
  }
  return out;
}

// One replacement of whole lines: what both have at their beginning and end stays.
Json replacement(std::string_view before, std::string_view after) {
  const auto a = linesOf(before), b = linesOf(after);
  const size_t shorter = std::min(a.size(), b.size());
  size_t head = 0, tail = 0;
  while (head < shorter && a[head] == b[head]) ++head;
  while (tail < shorter - head && a[a.size() - 1 - tail] == b[b.size() - 1 - tail]) ++tail;
  std::string put;
  for (size_t i = head; i < b.size() - tail; ++i) put += b[i];
  // The region ends before the first column of the line after it (§3.30.5–8).
  return {{"deletedRegion",
           {{"startLine", head + 1},
            {"startColumn", 1},
            {"endLine", a.size() - tail + 1},
            {"endColumn", 1}}},
          {"insertedContent", {{"text", put}}}};
}

// The rule that a key begins with; names may have blanks in them.
std::string_view ruleOfKey(std::string_view key) {
  std::string_view out;
  for (const RuleInfo& info : ruleInfos())
    if (key.starts_with(info.name) && info.name.size() > out.size() &&
        (key.size() == info.name.size() || key[info.name.size()] == ' ' ||
         key[info.name.size()] == ':'))
      out = info.name;
  return out;
}

class Log {
 public:
  Log(const Project& project, const SarifFile& file)
      : project_(project), file_(file), canFix_(writeProject(project) == file.text) {}

  Json rule(std::string_view name) {
    const RuleInfo& info = infoOf(name);
    std::string full(info.why);
    if (!info.standard.empty()) full += " " + std::string(info.standard) + ".";
    return {{"id", name},
            {"shortDescription", {{"text", info.asks}}},
            {"fullDescription", {{"text", full}}},
            {"defaultConfiguration", {{"level", nameOf(info.severity)}}},
            {"properties", {{"tags", {nameOf(info.group)}}}}};
  }

  Json result(const Finding& f) {
    const auto [at, isNew] = rules_.try_emplace(std::string(f.rule), rules_.size());
    if (isNew) order_.push_back(std::string(f.rule));
    Json out{{"ruleId", f.rule},
             {"ruleIndex", at->second},
             {"level", nameOf(f.severity)},
             {"message", {{"text", f.place + ": " + f.reason}}},
             {"locations",
              {{{"physicalLocation", {{"artifactLocation", {{"uri", file_.uri}, {"index", 0}}}}},
                {"logicalLocations", {{{"fullyQualifiedName", placeIds(f)}, {"name", f.place}}}}}}},
             {"partialFingerprints", {{kFingerprint, f.key}}}};
    if (f.figure) {
      out["properties"]["figure"] = *f.figure;
      if (f.limit) out["properties"]["limit"] = *f.limit;
      out["properties"]["unit"] = f.unit;
    }
    if (f.display) out["properties"]["display"] = f.display.text;
    if (f.language) out["properties"]["language"] = f.language.text;
    for (const Edit& mend : f.mends)
      if (Json each = fix(mend); !each.is_null()) out["fixes"].push_back(std::move(each));
    return out;
  }

  Json rules() {
    Json out = Json::array();
    for (const std::string& name : order_) out.push_back(rule(name));
    return out;
  }

 private:
  // By ids, so that renaming changes nothing.
  static std::string placeIds(const Finding& f) {
    std::string out;
    for (const std::string* id :
         {&f.kind.text, &f.machine.text, &f.state.text, &f.screen.text, &f.item.text})
      if (!id->empty()) out += (out.empty() ? "" : "/") + *id;
    return out.empty() ? "project" : out;
  }
  Json fix(const Edit& mend) {
    if (!canFix_) return {};
    const auto after = mend.apply(project_);
    if (!after) return {};
    return {{"description", {{"text", mend.name}}},
            {"artifactChanges",
             {{{"artifactLocation", {{"uri", file_.uri}, {"index", 0}}},
               {"replacements", {replacement(file_.text, writeProject(*after))}}}}}};
  }

  const Project& project_;
  const SarifFile& file_;
  bool canFix_;
  std::map<std::string, size_t> rules_;
  std::vector<std::string> order_;
};

}  // namespace

std::string sarif(const Project& project, const SortedFindings& found, const SarifFile& file,
                  const std::set<std::string>* baseline) {
  Log log(project, file);
  Json results = Json::array();
  std::set<std::string> now;
  const auto state = [&](Json& result, const std::string& key) {
    now.insert(key);
    if (baseline) result["baselineState"] = baseline->contains(key) ? "unchanged" : "new";
  };
  for (const Finding& f : found.open) {
    Json each = log.result(f);
    state(each, f.key);
    results.push_back(std::move(each));
  }
  for (const auto& accepted : found.accepted) {
    Json each = log.result(accepted.finding);
    state(each, accepted.finding.key);
    each["suppressions"] = {
        {{"kind", "external"}, {"status", "accepted"}, {"justification", accepted.reason}}};
    results.push_back(std::move(each));
  }
  if (baseline)
    for (const std::string& key : *baseline)
      if (!now.contains(key))
        results.push_back({{"ruleId", ruleOfKey(key)},
                           {"message", {{"text", "It is not found any more."}}},
                           {"partialFingerprints", {{kFingerprint, key}}},
                           {"baselineState", "absent"}});
  Json driver{{"name", "Bristle"}, {"rules", log.rules()}};
  Json run{{"tool", {{"driver", std::move(driver)}}},
           {"artifacts", {{{"location", {{"uri", file.uri}}}}}},
           {"columnKind", "unicodeCodePoints"},
           {"results", std::move(results)}};
  Json out{{"$schema", kSchema}, {"version", "2.1.0"}, {"runs", {std::move(run)}}};
  return out.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

Result<std::set<std::string>> keysInSarif(std::string_view text) {
  const auto json = nlohmann::json::parse(text, nullptr, false);
  const auto member = [](const nlohmann::json& in, const char* name) -> const nlohmann::json* {
    const auto at = in.is_object() ? in.find(name) : in.end();
    return in.is_object() && at != in.end() ? &*at : nullptr;
  };
  const auto* version = member(json, "version");
  const auto* runs = member(json, "runs");
  if (!version || *version != "2.1.0" || !runs || !runs->is_array())
    return fail("", "expected a SARIF log, version 2.1.0, with runs");
  std::set<std::string> out;
  for (const auto& run : *runs) {
    const auto* results = member(run, "results");
    if (!results || !results->is_array()) continue;
    for (const auto& result : *results) {
      const auto* prints = member(result, "partialFingerprints");
      const auto* key = prints ? member(*prints, kFingerprint) : nullptr;
      const auto* state = member(result, "baselineState");
      if (!key || !key->is_string() || (state && *state == "absent")) continue;
      out.insert(key->get<std::string>());
    }
  }
  return out;
}

}  // namespace bristle
