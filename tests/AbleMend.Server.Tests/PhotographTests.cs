using System.IO.Compression;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using AbleMend.Core;
using AbleMend.Core.Running;
using AbleMend.Server.Mends;
using AbleMend.Server.Photographs;
using SkiaSharp;

namespace AbleMend.Server.Tests;

/// <summary>Photographs: kept upright and without what a camera writes beside them, once however often they are sent, and part of the record.</summary>
public sealed class PhotographTests : IDisposable
{
    private static readonly SKColor[] Corners = [SKColors.Red, SKColors.Lime, SKColors.Blue, SKColors.Black];

    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    /// <summary>A picture of four quarters: red and green above, blue and black below.</summary>
    private static byte[] Quarters(int width = 80, int height = 40, SKEncodedImageFormat format = SKEncodedImageFormat.Jpeg)
    {
        using var bitmap = new SKBitmap(width, height);
        using var canvas = new SKCanvas(bitmap);
        for (var i = 0; i < 4; i++)
        {
            using var paint = new SKPaint { Color = Corners[i] };
            canvas.DrawRect(i % 2 * (width / 2), i / 2 * (height / 2), width / 2, height / 2, paint);
        }

        using var image = SKImage.FromBitmap(bitmap);
        using var data = image.Encode(format, 95);
        return data.ToArray();
    }

    /// <summary>
    /// The same with what a camera writes beside it: orientation, and a place. Exif 2.3 in its APP1 segment: a little-endian TIFF with the
    /// orientation (0x0112) and a maker's name (0x010F) that stands for everything that may tell of somebody.
    /// </summary>
    private static byte[] AsCameraWritesIt(byte[] jpeg, ushort orientation)
    {
        var maker = Encoding.ASCII.GetBytes("53.34N 6.26W somebody's camera\0");
        using var tiff = new MemoryStream();
        using (var write = new BinaryWriter(tiff, Encoding.ASCII, leaveOpen: true))
        {
            write.Write("II*\0"u8);
            write.Write(8u);
            write.Write((ushort)2);
            write.Write((ushort)0x010F); write.Write((ushort)2); write.Write((uint)maker.Length); write.Write(38u);
            write.Write((ushort)0x0112); write.Write((ushort)3); write.Write(1u); write.Write(orientation); write.Write((ushort)0);
            write.Write(0u);
            write.Write(maker);
        }

        byte[] exif = [.. "Exif\0\0"u8, .. tiff.ToArray()];
        var length = exif.Length + 2;
        return [.. jpeg[..2], 0xFF, 0xE1, (byte)(length >> 8), (byte)length, .. exif, .. jpeg[2..]];
    }

    private async Task<HttpResponseMessage> SendAsync(int mend, byte[] file, string query = "", string type = "image/jpeg")
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        return await _shop.Client.PostAsync($"/api/mends/{mend}/photographs{query}", content);
    }

    private static async Task<PhotographView> ViewAsync(HttpResponseMessage answer)
    {
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<PhotographView>(OpenJson.Options))!;
    }

    private Task<IReadOnlyList<PhotographView>?> ListAsync(int mend) => _shop.Client.GetFromJsonAsync<IReadOnlyList<PhotographView>>($"/api/mends/{mend}/photographs", OpenJson.Options);

    private async Task<MendView> RunningAsync()
    {
        var opened = await _shop.OpenMendAsync();
        return await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{opened.Id}/start", null, opened.Version));
    }

    // Which corner comes to lie where, by the orientation that Exif 2.3 gives: upper left, upper right, lower left, lower right.
    [Theory]
    [InlineData(1, false, "0123")]
    [InlineData(2, false, "1032")]
    [InlineData(3, false, "3210")]
    [InlineData(4, false, "2301")]
    [InlineData(5, true, "0213")]
    [InlineData(6, true, "2031")]
    [InlineData(7, true, "3120")]
    [InlineData(8, true, "1302")]
    public async Task A_picture_is_turned_upright_and_says_nothing_of_who_took_it_where(int orientation, bool lies, string corners)
    {
        var mend = await _shop.OpenMendAsync();
        var file = AsCameraWritesIt(Quarters(), (ushort)orientation);
        Encoding.Latin1.GetString(file).ShouldContain("somebody's camera");
        var view = await ViewAsync(await SendAsync(mend.Id, file));
        (view.Width, view.Height).ShouldBe(lies ? (40, 80) : (80, 40));
        var kept = await _shop.Client.GetByteArrayAsync($"/api/photographs/{view.Id}");
        Encoding.Latin1.GetString(kept).ShouldSatisfyAllConditions(text => text.ShouldNotContain("somebody's camera"), text => text.ShouldNotContain("Exif"));
        using var bitmap = SKBitmap.Decode(kept);
        for (var i = 0; i < 4; i++)
        {
            var (pixel, meant) = (bitmap.GetPixel((view.Width / 4) + (i % 2 * view.Width / 2), (view.Height / 4) + (i / 2 * view.Height / 2)), Corners[corners[i] - '0']);
            (Math.Abs(pixel.Red - meant.Red) + Math.Abs(pixel.Green - meant.Green) + Math.Abs(pixel.Blue - meant.Blue)).ShouldBeLessThan(60, $"corner {i}");
        }
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Png, "image/png")]
    [InlineData(SKEncodedImageFormat.Webp, "image/webp")]
    public async Task Other_ordinary_pictures_are_taken_and_large_ones_made_smaller(SKEncodedImageFormat format, string type)
    {
        var mend = await _shop.OpenMendAsync();
        var view = await ViewAsync(await SendAsync(mend.Id, Quarters(3200, 1600, format), type: type));
        (view.Width, view.Height).ShouldBe((2000, 1000));
        using var small = SKBitmap.Decode(await _shop.Client.GetByteArrayAsync($"/api/photographs/{view.Id}/small"));
        Math.Max(small.Width, small.Height).ShouldBe(360);
    }

    [Fact]
    public async Task The_same_file_sent_twice_is_one_photograph_and_it_stands_at_its_step_and_time()
    {
        var mend = await RunningAsync();
        _shop.Time.Advance(TimeSpan.FromMinutes(30));
        var taken = _shop.Time.GetUtcNow().AddMinutes(-10);
        var query = $"?step={mend.Plan!.Steps[0].Id}&at={Uri.EscapeDataString(taken.ToString("O"))}";
        var both = await Task.WhenAll(SendAsync(mend.Id, Quarters(), query), SendAsync(mend.Id, Quarters(), query));
        var views = await Task.WhenAll(both.Select(ViewAsync));
        views[0].Id.ShouldBe(views[1].Id);
        (await ListAsync(mend.Id))!.ShouldHaveSingleItem().ShouldSatisfyAllConditions(
            each => each.StepId.ShouldBe(mend.Plan.Steps[0].Id), each => each.At.ShouldBe(taken, TimeSpan.FromMilliseconds(1)), each => each.StepTitle.ShouldNotBeNull());
        using var again = _shop.Restarted();
        (await again.Client.GetByteArrayAsync($"/api/photographs/{views[0].Id}")).Length.ShouldBeGreaterThan(100);
    }

    [Fact]
    public async Task What_is_no_picture_is_refused_with_its_remedy_and_not_kept()
    {
        var mend = await RunningAsync();
        var whole = Quarters(400, 300);
        async Task Refused(HttpResponseMessage answer, HttpStatusCode status, string code)
        {
            answer.StatusCode.ShouldBe(status);
            (await answer.Content.ReadAsStringAsync()).ShouldContain($"\"{code}\"");
        }

        await Refused(await SendAsync(mend.Id, "%PDF-1.7"u8.ToArray()), HttpStatusCode.UnprocessableEntity, "no-picture");
        await Refused(await SendAsync(mend.Id, []), HttpStatusCode.UnprocessableEntity, "no-picture");
        await Refused(await SendAsync(mend.Id, "<svg xmlns='http://www.w3.org/2000/svg'/>"u8.ToArray(), type: "image/svg+xml"), HttpStatusCode.UnsupportedMediaType, "not-a-picture");
        await Refused(await SendAsync(mend.Id, whole[..(whole.Length / 2)]), HttpStatusCode.UnprocessableEntity, "cut-short");
        await Refused(await SendAsync(mend.Id, new byte[PhotographEndpoints.LargestFileBytes + 1]), HttpStatusCode.RequestEntityTooLarge, "too-large");
        await Refused(await SendAsync(mend.Id, whole, "?step=no-such"), HttpStatusCode.UnprocessableEntity, "unknown-id");
        await Refused(await SendAsync(mend.Id, whole, $"?at={Uri.EscapeDataString(_shop.Time.GetUtcNow().AddDays(1).ToString("O"))}"), HttpStatusCode.UnprocessableEntity, "clock-ahead");
        await Refused(await SendAsync(9999, whole), HttpStatusCode.NotFound, "unknown-id");
        (await ListAsync(mend.Id))!.ShouldBeEmpty();
    }

    [Fact]
    public async Task A_picture_that_claims_to_be_huge_takes_no_room()
    {
        // A PNG's width and height stand in bytes 16 to 23; its checksum is made anew, so that it is believed.
        var file = Quarters(8, 8, SKEncodedImageFormat.Png);
        for (var i = 16; i < 24; i++)
        {
            file[i] = (byte)(i is 16 or 20 ? 0x00 : 0xF0);
        }

        System.Buffers.Binary.BinaryPrimitives.WriteUInt32BigEndian(file.AsSpan(29), Crc32(file.AsSpan(12, 17)));
        var mend = await _shop.OpenMendAsync();
        (await SendAsync(mend.Id, file, type: "image/png")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    /// <summary>The checksum of a PNG's chunk, as its specification (ISO/IEC 15948, annex D) gives it.</summary>
    private static uint Crc32(ReadOnlySpan<byte> bytes)
    {
        var crc = uint.MaxValue;
        foreach (var each in bytes)
        {
            crc ^= each;
            for (var bit = 0; bit < 8; bit++)
            {
                crc = (crc & 1) != 0 ? (crc >> 1) ^ 0xEDB88320 : crc >> 1;
            }
        }

        return ~crc;
    }

    [Fact]
    public async Task A_photograph_may_be_removed_until_the_mend_is_closed_and_goes_with_a_draft_that_is_thrown_away()
    {
        var mend = await _shop.OpenMendAsync();
        var view = await ViewAsync(await SendAsync(mend.Id, Quarters()));
        (await _shop.Client.DeleteAsync($"/api/photographs/{view.Id}")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await _shop.Client.DeleteAsync($"/api/photographs/{view.Id}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await _shop.Client.GetAsync($"/api/photographs/{view.Id}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);

        view = await ViewAsync(await SendAsync(mend.Id, Quarters(60, 60)));
        (await _shop.SendAsync(HttpMethod.Delete, $"/api/mends/{mend.Id}", null, mend.Version)).EnsureSuccessStatusCode();
        (await _shop.Client.GetAsync($"/api/photographs/{view.Id}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_pack_for_a_warranty_holds_what_was_seen_done_and_measured_and_the_pictures()
    {
        var mend = await RunningAsync();
        await ViewAsync(await SendAsync(mend.Id, Quarters()));
        await ViewAsync(await SendAsync(mend.Id, Quarters(60, 60), $"?step={mend.Plan!.Steps[0].Id}"));
        mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Note, Text: "=1+1 looks dry"));
        var answer = await _shop.Client.GetAsync($"/api/mends/{mend.Id}/warranty-pack.zip");
        answer.Content.Headers.ContentType!.MediaType.ShouldBe("application/zip");
        using var zip = new ZipArchive(await answer.Content.ReadAsStreamAsync());
        string Text(string name)
        {
            using var read = new StreamReader(zip.GetEntry(name)!.Open());
            return read.ReadToEnd();
        }

        zip.Entries.Select(entry => entry.FullName).ShouldBe(["what-was-seen.txt", "what-happened.csv", "case.json", "plan.json", "photographs/01-intake.jpg", $"photographs/02-{mend.Plan!.Steps[0].Id}.jpg"]);
        Text("what-was-seen.txt").ShouldContain(mend.Tag);
        Text("what-happened.csv").ShouldContain("'=1+1 looks dry", Case.Sensitive, "a spreadsheet would take it for a formula");
        OpenJson.ReadCase(Text("case.json")).Problems.ShouldBeEmpty();
        OpenJson.ReadPlan(Text("plan.json")).Problems.ShouldBeEmpty();

        var draft = await _shop.OpenMendAsync(tag: "BRD-02");
        (await _shop.Client.GetAsync($"/api/mends/{draft.Id}/warranty-pack.zip")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }
}
