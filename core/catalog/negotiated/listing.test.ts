import { judgeLink, readListing } from '.';

/* What the system's own listings look like [Linux kernel documentation and usual tools, from memory]; devices are made up. */
const PCI = `01:00.0 Non-Volatile memory controller: Oystral Merlin 4 (rev 01) (prog-if 02 [NVM Express])
\tCapabilities: [70] Express (v2) Endpoint, MSI 00
\t\tLnkCap:\tPort #0, Speed 16GT/s, Width x4, ASPM L1, Exit Latency L1 <64us
\t\tLnkSta:\tSpeed 8GT/s (downgraded), Width x2 (downgraded)
02:00.0 Ethernet controller: Tesselin Wire
\t\tLnkCap:\tPort #0, Speed 5GT/s, Width x1
\t\tLnkSta:\tSpeed 5GT/s, Width x1`;
const USB = `/:  Bus 02.Port 1: Dev 1, Class=root_hub, Driver=xhci_hcd/4p, 10000M
    |__ Port 3: Dev 2, If 0, Class=Mass Storage, Driver=uas, 5000M
/:  Bus 01.Port 1: Dev 1, Class=root_hub, Driver=xhci_hcd/12p, 480M
    |__ Port 7: Dev 4, If 0, Class=Video, Driver=uvcvideo, 480M
    |__ Port 2: Dev 3, If 0, Class=Mass Storage, Driver=usb-storage, 480M`;
const LIMITED =
  '15.752 Gb/s available PCIe bandwidth, limited by 8.0 GT/s PCIe x2 link at 0000:00:1d.0 ' +
  '(capable of 63.012 Gb/s with 16.0 GT/s PCIe x4 link)';
const KERNEL = `[  812.004411] usb 2-1: new SuperSpeed Plus Gen 2x1 USB device number 5 using xhci_hcd
[  812.030311] usb 2-1: Product: Nook 10
[  812.044411] scsi host6: uas
[  812.044500] uas 2-1:1.0: registered
[  900.100000] usb 1-2: new high-speed USB device number 6 using xhci_hcd
[  900.200000] usb-storage 1-2:1.0: USB Mass Storage device detected
[    1.300000] ata3: SATA link up 3.0 Gbps (SStatus 123 SControl 300)
[    0.900000] nvme 0000:03:00.0: ${LIMITED}`;

test('the long listing of the PCI bus: what was negotiated beside what it could; a network card is no drive', () => {
  const [drive, ...others] = readListing(PCI);
  expect(others).toEqual([]);
  expect(drive).toMatchObject({ bus: 'pcie', name: 'Oystral Merlin 4', link: 'pcie3x2', device: 'pcie4x4' });
  expect(judgeLink(drive!).state).toBe('held');
});

test('the tree of the USB buses: link, driver and what its root hub can', () => {
  expect(readListing(USB)).toEqual([
    expect.objectContaining({ id: '2-3', link: 'usb-5', port: 'usb-10', protocol: 'uas' }),
    expect.objectContaining({ id: '1-2', link: 'usb-2', port: 'usb-2', protocol: 'bulk-only' }),
  ]);
});

test('messages of the kernel, their times before them', () => {
  const found = readListing(KERNEL);
  expect(found.map(({ bus, link }) => [bus, link])).toEqual([
    ['usb', 'usb-10'],
    ['usb', 'usb-2'],
    ['sata', 'sata-3'],
    ['pcie', 'pcie3x2'],
  ]);
  expect(found[0]!.name).toBe('Nook 10');
  expect(found[3]!.device).toBe('pcie4x4');
});

test('two lanes of 5 are not one of 10; several listings in one; what is none gives nothing', () => {
  expect(readListing('usb 4-1: new SuperSpeed Plus Gen 1x2 USB device number 2')[0]!.link).toBe('usb-5x2');
  expect(readListing('usb 4-1: new SuperSpeed Plus Gen 2x2 USB device number 2')[0]!.link).toBe('usb-20');
  expect(readListing(`${PCI}\r\n${USB}\n${KERNEL}`)).toHaveLength(7);
  expect(readListing('')).toEqual([]);
  expect(readListing('dear all, it is slow again')).toEqual([]);
});
