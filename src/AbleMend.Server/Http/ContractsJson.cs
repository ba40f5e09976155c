using System.Text.Json.Serialization;
using AbleMend.Core.Days;
using AbleMend.Core.Figures;
using AbleMend.Core.Instruments;
using AbleMend.Core.Rescuing;
using AbleMend.Core.Running;
using AbleMend.Core.Worth;
using AbleMend.Data;
using AbleMend.Server.Days;
using AbleMend.Server.Gallery;
using AbleMend.Server.Gear;
using AbleMend.Server.Instruments;
using AbleMend.Server.Intake;
using AbleMend.Server.Log;
using AbleMend.Server.Mends;
using AbleMend.Server.Photographs;
using AbleMend.Server.Shelf;
using AbleMend.Server.Shop;

namespace AbleMend.Server.Http;

/// <summary>
/// Generated serialisers of what the endpoints take and give. The first request waits until all endpoints are put together; worked out
/// by reflection, their types would be a third of that wait.
/// </summary>
[JsonSourceGenerationOptions(PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase, GenerationMode = JsonSourceGenerationMode.Metadata)]
[JsonSerializable(typeof(AirView))]
[JsonSerializable(typeof(BenchView))]
[JsonSerializable(typeof(CatalogueView))]
[JsonSerializable(typeof(Counted))]
[JsonSerializable(typeof(DaysView))]
[JsonSerializable(typeof(DayWish))]
[JsonSerializable(typeof(WishChange))]
[JsonSerializable(typeof(Doing))]
[JsonSerializable(typeof(LabelToPrint))]
[JsonSerializable(typeof(Estimate))]
[JsonSerializable(typeof(Happening))]
[JsonSerializable(typeof(InstrumentsView))]
[JsonSerializable(typeof(IReadOnlyList<Agreement>))]
[JsonSerializable(typeof(IReadOnlyList<CupOffer>))]
[JsonSerializable(typeof(IReadOnlyList<Effect>))]
[JsonSerializable(typeof(IReadOnlyList<HeldOfMethod>))]
[JsonSerializable(typeof(IReadOnlyList<LotUse>))]
[JsonSerializable(typeof(IReadOnlyList<OfferedMishap>))]
[JsonSerializable(typeof(IReadOnlyList<PhotographView>))]
[JsonSerializable(typeof(IReadOnlyList<TicketView>))]
[JsonSerializable(typeof(IReadOnlyList<WorkedCase>))]
[JsonSerializable(typeof(List<ItemView>))]
[JsonSerializable(typeof(LogPage))]
[JsonSerializable(typeof(LooksDue))]
[JsonSerializable(typeof(LotChange))]
[JsonSerializable(typeof(MendOrReplace))]
[JsonSerializable(typeof(MendView))]
[JsonSerializable(typeof(NewAgreement))]
[JsonSerializable(typeof(NewItem))]
[JsonSerializable(typeof(NewMend))]
[JsonSerializable(typeof(NewTicket))]
[JsonSerializable(typeof(Promise))]
[JsonSerializable(typeof(ShareCup))]
[JsonSerializable(typeof(ShelfTable))]
[JsonSerializable(typeof(ShelfView))]
[JsonSerializable(typeof(ShopSettings))]
[JsonSerializable(typeof(ShopView))]
[JsonSerializable(typeof(TicketChange))]
[JsonSerializable(typeof(TraceTable))]
public sealed partial class ContractsJson : JsonSerializerContext;
