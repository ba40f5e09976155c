using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Words;
using AbleMend.Core.Worth;

namespace AbleMend.Data;

/// <summary>Agreements between their rows and what they say.</summary>
public static class AgreementRows
{
    /// <summary>A row of a mend.</summary>
    public static AgreementRow Of(int mendId, Agreement yes) => new()
    {
        MendId = mendId,
        At = yes.At,
        By = yes.By,
        HeardBy = yes.HeardBy,
        UpTo = yes.UpTo,
        Currency = yes.Currency,
        ToldJson = JsonSerializer.Serialize(yes.Told, OpenJson.Options),
    };

    /// <summary>What a row says.</summary>
    public static Agreement Read(AgreementRow row) => new(row.At, row.By, row.HeardBy, row.UpTo, row.Currency, JsonSerializer.Deserialize<IReadOnlyList<Message>>(row.ToldJson, OpenJson.Options) ?? []);

    /// <summary>The last of them, which is the one that stands.</summary>
    public static Agreement? Last(IEnumerable<AgreementRow> rows) => rows.MaxBy(row => row.Id) is { } last ? Read(last) : null;
}
