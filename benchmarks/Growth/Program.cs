using System.Globalization;
using AbleMend.Data;
using Microsoft.Data.Sqlite;

// Makes a shop's file as large as years make it: `FILE fleet ITEMS` adds items, `FILE mends MENDS`
// copies its closed mends, each onto one of those and with words of its own.
string[] words = ["bead", "blister", "brush", "caul", "cold", "corner", "damp", "drip", "edge", "fin", "flush", "frost", "glass", "harbour", "heel", "jig", "lamp", "nose", "paste", "peel", "rail", "rack", "sail", "seam", "skirt", "strap", "stripe", "tail", "tide", "valve", "wax", "wing"];
var (path, what, wanted) = (args[0], args[1], int.Parse(args[2], CultureInfo.InvariantCulture));

await using var file = new SqliteConnection(MendDb.ConnectionTo(path));
await file.OpenAsync();
await using var all = await file.BeginTransactionAsync();
await (what == "fleet" ? FleetAsync() : MendsAsync());
await all.CommitAsync();
await DoAsync("PRAGMA wal_checkpoint(TRUNCATE)");
Console.WriteLine($"{(await ListAsync("SELECT COUNT(*) FROM Mends WHERE ClosedAt IS NOT NULL"))[0]} closed mends, {new FileInfo(path).Length / 1e6:0} MB");

async Task FleetAsync()
{
    for (var i = 0; i < wanted; i++)
    {
        await DoAsync($"INSERT INTO Items (Tag, Name, Construction, Warranty) VALUES ('FLT-{i:00000}', 'Hire board {i}', 'pu-polyester-board', 'None')");
    }
}

async Task MendsAsync()
{
    var closed = await ListAsync("SELECT Id FROM Mends WHERE ClosedAt IS NOT NULL AND LogJson IS NOT NULL");
    var fleet = await ListAsync("SELECT Id FROM Items WHERE Tag LIKE 'FLT-%'");
    var columns = await ColumnsAsync("Mends", "Id", "ItemId", "Written", "ClosedAt", "FollowsMendId");
    var happened = await ColumnsAsync("Events", "Id", "MendId");
    var chance = new Random(1);
    for (var i = 0; i < wanted; i++)
    {
        var note = string.Join(' ', Enumerable.Range(0, 12).Select(_ => words[chance.Next(words.Length)])) + $" ticket{i}";
        await DoAsync(
            $"""
            INSERT INTO Mends (ItemId, Written, ClosedAt, {columns}) SELECT {fleet[i % fleet.Count]}, $note, ClosedAt - {(wanted - i) * TimeSpan.TicksPerMinute}, {columns} FROM Mends WHERE Id = {closed[i % closed.Count]};
            INSERT INTO Events (MendId, {happened}) SELECT (SELECT MAX(Id) FROM Mends), {happened} FROM Events WHERE MendId = {closed[i % closed.Count]};
            """, note);
    }
}

async Task DoAsync(string sql, string? note = null)
{
    await using var command = file.CreateCommand();
    command.CommandText = sql;
    command.Parameters.AddWithValue("$note", note ?? "");
    await command.ExecuteNonQueryAsync();
}

async Task<List<long>> ListAsync(string sql)
{
    await using var command = file.CreateCommand();
    command.CommandText = sql;
    await using var rows = await command.ExecuteReaderAsync();
    var found = new List<long>();
    while (await rows.ReadAsync())
    {
        found.Add(rows.GetInt64(0));
    }

    return found;
}

async Task<string> ColumnsAsync(string table, params IReadOnlyList<string> without)
{
    await using var command = file.CreateCommand();
    command.CommandText = $"SELECT name FROM pragma_table_info('{table}')";
    await using var rows = await command.ExecuteReaderAsync();
    var found = new List<string>();
    while (await rows.ReadAsync())
    {
        found.Add(rows.GetString(0));
    }

    return string.Join(", ", found.Except(without));
}
