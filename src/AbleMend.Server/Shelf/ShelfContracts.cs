using AbleMend.Core.Curing;
using AbleMend.Core.Limits;
using AbleMend.Core.Patching;
using AbleMend.Core.Stock;
using AbleMend.Core.Words;

namespace AbleMend.Server.Shelf;

/// <summary>The shelf as it is read: what there is, how much of it, how long it is good, and what the bench still takes.</summary>
/// <param name="Now">The shop's present.</param>
/// <param name="Today">The shop's day.</param>
/// <param name="Lots">Every lot that is there, the first to expire first.</param>
/// <param name="Gone">Lots that were used up or thrown away, the latest first.</param>
/// <param name="Needs">What the mends on the bench still take, the missing first.</param>
/// <param name="Materials">Every material that may stand there.</param>
/// <param name="Pieces">Pieces of cloth and patch stock that are left over, by material and the largest first.</param>
public sealed record ShelfView(
    DateTimeOffset Now, DateOnly Today, IReadOnlyList<LotView> Lots, IReadOnlyList<LotView> Gone, IReadOnlyList<NeedView> Needs, IReadOnlyList<ShelfMaterial> Materials, IReadOnlyList<PieceView> Pieces);

/// <summary>A piece of cloth or patch stock that is left over.</summary>
/// <param name="Piece">The piece.</param>
/// <param name="Title">Name of its material.</param>
/// <param name="HeldFor">Number of the mend under way that is to be cut from it; null for none.</param>
public sealed record PieceView(Offcut Piece, Message Title, int? HeldFor);

/// <summary>A lot with what is left of it.</summary>
/// <param name="Name">What it goes by.</param>
/// <param name="Title">Name of the material.</param>
/// <param name="Lot">The lot.</param>
/// <param name="Left">What is left of it, below 0 where more was taken than it should have held; null where nobody counts it.</param>
/// <param name="LastDay">The last day on which it is used; null for no end.</param>
/// <param name="DaysLeft">Days until then, below 0 once it is past; null for no end.</param>
/// <param name="Pace">How fast it sets here beside its label, as touch has taught; null where nobody has looked.</param>
public sealed record LotView(string Name, Message Title, Lot Lot, double? Left, DateOnly? LastDay, int? DaysLeft, LearntPace? Pace = null);

/// <summary>What the bench still takes of a material.</summary>
/// <param name="Material">Identifier.</param>
/// <param name="Title">Its name.</param>
/// <param name="Value">How much it takes.</param>
/// <param name="Unit">What it is counted in.</param>
/// <param name="Left">What is left of it and may be used; null where nobody counts it.</param>
/// <param name="Short">What is missing; null where nothing is, or nobody counts.</param>
/// <param name="Mends">Numbers of the mends that take it.</param>
/// <param name="From">When the first of them is begun by the plan of the days; null where none is planned.</param>
public sealed record NeedView(string Material, Message Title, double Value, StockUnit Unit, double? Left, double? Short, IReadOnlyList<int> Mends, DateTimeOffset? From);

/// <summary>A material that may stand on the shelf.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Title">Name.</param>
/// <param name="Unit">What it is usually counted in.</param>
public sealed record ShelfMaterial(string Id, Message Title, StockUnit Unit);

/// <summary>A lot as it is to be.</summary>
/// <param name="Lot">The lot.</param>
/// <param name="Was">What it was when the change was made; null for one that is put on the shelf. What was not touched stays as it is by now.</param>
public sealed record LotChange(Lot Lot, Lot? Was = null);

/// <summary>What was counted.</summary>
/// <param name="Left">What is left of the lot, in its unit.</param>
public sealed record Counted([property: Limits(0, 1_000_000)] double Left);

/// <summary>A shelf as a table to read in.</summary>
/// <param name="Csv">The table, with a line of names first.</param>
public sealed record ShelfTable([property: Size(1, 500_000, Lines = true)] string Csv);

/// <summary>A mend that took something off a lot.</summary>
/// <param name="Mend">Its number.</param>
/// <param name="Tag">Tag of its item.</param>
/// <param name="ItemName">What people call the item.</param>
/// <param name="At">When it took it last.</param>
/// <param name="Amount">How much in all, in the lot's unit.</param>
/// <param name="HandedBackAt">When it was handed back; null while it is in the shop.</param>
public sealed record LotUse(int Mend, string Tag, string ItemName, DateTimeOffset At, double Amount, DateTimeOffset? HandedBackAt);
