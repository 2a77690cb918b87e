// The takes kept beside a project, in the folder `takes`.
#pragma once
#include <QString>
#include <QStringList>

#include "runtime/session/take.h"

namespace bristle {

// The files, by name; empty while the project has no folder.
QStringList takesIn(const QString& folder);
// Writes `folder/takes/NAME.take.jsonl` and returns its path; never over another take.
Result<QString> saveTake(const QString& folder, const Take& take);
// The same for any text, with an ending such as ".scope.jsonl".
Result<QString> keepText(const QString& folder, const std::string& name, const QString& ending,
                         const std::string& text);

}  // namespace bristle
